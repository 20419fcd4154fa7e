-- What a knock found means is worked out from its facts (core/door/judge-door.ts): no sentences of it are kept any more.
UPDATE `door_check` SET `report` = REPLACE(JSON_REMOVE(`report`, '$.verdict'), '"mediaType":', '"contentType":');--> statement-breakpoint
ALTER TABLE `revision` MODIFY COLUMN `why` varchar(1000) NOT NULL;--> statement-breakpoint
-- Why a survey got a further revision, as a code (core/problems/problem.ts).
UPDATE `revision` SET `why` = CASE
    WHEN `why` LIKE '{%' THEN `why`
    WHEN `why` = 'before it was gone on with' THEN '{"code":"before-reading-on","params":{}}'
    WHEN `why` LIKE 'before evidence was added: %' THEN JSON_COMPACT(JSON_OBJECT('code', 'before-list', 'params', JSON_OBJECT('name', LEFT(SUBSTRING(`why`, 28), 250))))
    WHEN `why` REGEXP '(?s)^before (.*) was (opened|closed)$' THEN JSON_COMPACT(JSON_OBJECT('code', 'before-decision', 'params', JSON_OBJECT('of', LEFT(REGEXP_REPLACE(`why`, '(?s)^before (.*) was (opened|closed)$', '\\1'), 250), 'state', IF(`why` LIKE '%opened', 'open', 'closed'))))
    ELSE `why`
  END;
--> statement-breakpoint
-- One word for one thing: lists of evidence, content types, the order in which URLs were read.
ALTER TABLE `evidence_import` RENAME TO `evidence_list`;--> statement-breakpoint
ALTER TABLE `evidence_list` RENAME INDEX `evidence_import_survey` TO `evidence_list_survey`;--> statement-breakpoint
ALTER TABLE `evidence_import_row` RENAME TO `evidence_list_row`;--> statement-breakpoint
ALTER TABLE `evidence_list_row` RENAME COLUMN `import_id` TO `list_id`;--> statement-breakpoint
ALTER TABLE `page` RENAME COLUMN `media_type` TO `content_type`;--> statement-breakpoint
ALTER TABLE `page` RENAME COLUMN `seq` TO `order_read`;--> statement-breakpoint
ALTER TABLE `target_check` RENAME COLUMN `media_type` TO `content_type`;
