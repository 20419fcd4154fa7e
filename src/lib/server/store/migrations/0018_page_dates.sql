ALTER TABLE `page` ADD `changed_at` bigint;--> statement-breakpoint
ALTER TABLE `page` ADD `last_modified` bigint;