CREATE TABLE `packed_chunk` (
	`survey_id` int NOT NULL,
	`part` varchar(16) NOT NULL,
	`n` int NOT NULL,
	`bytes` mediumblob NOT NULL,
	CONSTRAINT `packed_chunk_survey_id_part_n_pk` PRIMARY KEY(`survey_id`,`part`,`n`)
);
--> statement-breakpoint
CREATE TABLE `packed_part` (
	`survey_id` int NOT NULL,
	`part` varchar(16) NOT NULL,
	`revision` int NOT NULL,
	`format` int NOT NULL,
	`size` bigint NOT NULL,
	`chunks` int NOT NULL,
	`made_at` bigint NOT NULL,
	CONSTRAINT `packed_part_survey_id_part_pk` PRIMARY KEY(`survey_id`,`part`)
);
--> statement-breakpoint
CREATE TABLE `priority` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`by_what` varchar(16) NOT NULL,
	`subject` text NOT NULL,
	`value` tinyint NOT NULL,
	`created_at` bigint NOT NULL,
	CONSTRAINT `priority_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `saved_set` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`name` varchar(100) NOT NULL,
	`expression` text NOT NULL,
	`created_at` bigint NOT NULL,
	CONSTRAINT `saved_set_id` PRIMARY KEY(`id`),
	CONSTRAINT `saved_set_name` UNIQUE(`site_id`,`name`)
);
--> statement-breakpoint
ALTER TABLE `page_detail` ADD `outline` mediumblob NOT NULL;--> statement-breakpoint
CREATE INDEX `priority_site` ON `priority` (`site_id`);