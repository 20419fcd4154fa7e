CREATE TABLE `intended_page` (
	`site_id` int NOT NULL,
	`ordinal` int NOT NULL,
	`label` text NOT NULL,
	`parent` int,
	`priority` tinyint,
	CONSTRAINT `intended_page_site_id_ordinal_pk` PRIMARY KEY(`site_id`,`ordinal`)
);
--> statement-breakpoint
CREATE TABLE `note` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`about` varchar(16) NOT NULL,
	`subject` text NOT NULL,
	`text` text NOT NULL,
	`created_at` bigint NOT NULL,
	CONSTRAINT `note_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `site` ADD `depth_goals` json;--> statement-breakpoint
CREATE INDEX `note_site` ON `note` (`site_id`);