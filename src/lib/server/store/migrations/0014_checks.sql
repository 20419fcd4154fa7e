CREATE TABLE `acceptance` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`check_id` varchar(64) NOT NULL,
	`subject` text NOT NULL,
	`note` text NOT NULL,
	`created_at` bigint NOT NULL,
	CONSTRAINT `acceptance_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `site` ADD `check_settings` json;--> statement-breakpoint
CREATE INDEX `acceptance_site` ON `acceptance` (`site_id`);