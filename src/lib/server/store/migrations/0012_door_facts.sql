-- What a knock found means is worked out from its facts (core/door/judge-door.ts): no sentences of it are kept any more.
UPDATE `door_check` SET `report` = JSON_REMOVE(`report`, '$.verdict');--> statement-breakpoint
ALTER TABLE `revision` MODIFY COLUMN `why` varchar(1000) NOT NULL;--> statement-breakpoint
-- Why a survey got a further revision, as a code (core/problems/problem.ts).
UPDATE `revision` SET `why` = CASE
    WHEN `why` LIKE '{%' THEN `why`
    WHEN `why` = 'before it was gone on with' THEN '{"code":"before-reading-on","params":{}}'
    WHEN `why` LIKE 'before evidence was added: %' THEN JSON_COMPACT(JSON_OBJECT('code', 'before-list', 'params', JSON_OBJECT('name', LEFT(SUBSTRING(`why`, 28), 250))))
    WHEN `why` REGEXP '(?s)^before (.*) was (opened|closed)$' THEN JSON_COMPACT(JSON_OBJECT('code', 'before-decision', 'params', JSON_OBJECT('of', LEFT(REGEXP_REPLACE(`why`, '(?s)^before (.*) was (opened|closed)$', '\\1'), 250), 'state', IF(`why` LIKE '%opened', 'open', 'closed'))))
    ELSE `why`
  END;
