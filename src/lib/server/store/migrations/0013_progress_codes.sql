-- What a survey told of itself is kept as codes (core/survey/progress.ts): what it did, why a host was slowed, the last
-- failures. What it waited for, and how much room was left, held for that moment only.
UPDATE `job` SET `progress` = REGEXP_REPLACE(REGEXP_REPLACE(`progress`,
    '"waiting":"[^"\\\\]*+(?:\\\\.[^"\\\\]*+)*+"', '"waiting":null'),
    '"warning":"[^"\\\\]*+(?:\\\\.[^"\\\\]*+)*+"', '"warning":null')
  WHERE `progress` IS NOT NULL;--> statement-breakpoint
UPDATE `job` SET `progress` = REGEXP_REPLACE(REGEXP_REPLACE(REGEXP_REPLACE(`progress`,
    '"slowed":"answered ([0-9]+)"', '"slowed":{"code":"answered","status":\\1}'),
    '"slowed":"takes ([0-9]+) times as long to answer as at first"', '"slowed":{"code":"slower","times":\\1}'),
    '"slowed":"[^"\\\\]*+(?:\\\\.[^"\\\\]*+)*+"', '"slowed":null')
  WHERE `progress` IS NOT NULL;--> statement-breakpoint
UPDATE `job` SET `progress` = REGEXP_REPLACE(`progress`, '"say":("[^"\\\\]*+(?:\\\\.[^"\\\\]*+)*+"),"at":', '"failure":\\1,"at":')
  WHERE `progress` IS NOT NULL;--> statement-breakpoint
UPDATE `job` SET `progress` = REPLACE(`progress`, CONCAT('"doing":', JSON_EXTRACT(`progress`, '$.doing')), CONCAT('"doing":"', CASE JSON_VALUE(`progress`, '$.doing')
    WHEN 'starting' THEN 'starting'
    WHEN 'reading robots.txt' THEN 'robots'
    WHEN 'reading sitemaps' THEN 'sitemaps'
    WHEN 'reading what only other evidence knows' THEN 'evidence'
    WHEN 'asking for link targets elsewhere' THEN 'elsewhere'
    WHEN 'paused' THEN 'paused'
    WHEN 'done' THEN 'done'
    ELSE 'pages'
  END, '"'))
  WHERE `progress` IS NOT NULL;
