CREATE TABLE `laid_change` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`survey` int NOT NULL,
	`kind` varchar(16) NOT NULL,
	`page` varbinary(4096) NOT NULL,
	`line` int NOT NULL,
	`block` text NOT NULL,
	`old_anchor` text NOT NULL,
	`new_anchor` text NOT NULL,
	`old_target` varbinary(4096) NOT NULL,
	`new_target` varbinary(4096) NOT NULL,
	`sentence` text NOT NULL,
	`created_at` bigint NOT NULL,
	CONSTRAINT `laid_change_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `proposal_answer` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`answer` varchar(8) NOT NULL,
	`source` varbinary(4096) NOT NULL,
	`target` varbinary(4096) NOT NULL,
	`created_at` bigint NOT NULL,
	CONSTRAINT `proposal_answer_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `subject` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`said_by` varchar(8) NOT NULL,
	`subject` text NOT NULL,
	`words` text NOT NULL,
	`updated_at` bigint NOT NULL,
	CONSTRAINT `subject_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `site` ADD `wanted_links` json;--> statement-breakpoint
CREATE INDEX `laid_change_site` ON `laid_change` (`site_id`);--> statement-breakpoint
CREATE INDEX `proposal_answer_site` ON `proposal_answer` (`site_id`);--> statement-breakpoint
CREATE INDEX `subject_site` ON `subject` (`site_id`);