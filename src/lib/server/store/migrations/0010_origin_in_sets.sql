-- What the set language called "host" was scheme and host: it is called "origin" now.
UPDATE `saved_set` SET `expression` = REGEXP_REPLACE(`expression`, '(?i)\\bhost(\\s+(?:is|has|begins|ends)[^"()]*"https?://)', 'origin\\1');--> statement-breakpoint
UPDATE `priority` SET `subject` = REGEXP_REPLACE(`subject`, '(?i)\\bhost(\\s+(?:is|has|begins|ends)[^"()]*"https?://)', 'origin\\1') WHERE `by_what` = 'set';--> statement-breakpoint
UPDATE `note` SET `subject` = REGEXP_REPLACE(`subject`, '(?i)\\bhost(\\s+(?:is|has|begins|ends)[^"()]*"https?://)', 'origin\\1') WHERE `about` = 'set';
