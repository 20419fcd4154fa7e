ALTER TABLE `page_detail` ADD `ids` mediumblob;--> statement-breakpoint
ALTER TABLE `page` ADD `markup` text;--> statement-breakpoint
-- What surveys of a site are made with from now on; those that are there asked for no made-up address.
UPDATE `site` SET `settings` = JSON_SET(`settings`, '$.madeUp', true);
