CREATE TABLE `generic_word` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`language` varchar(16) NOT NULL,
	`text` varchar(80) NOT NULL,
	`is_generic` boolean NOT NULL,
	`created_at` bigint NOT NULL,
	CONSTRAINT `generic_word_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `proposal_run_target` (
	`run_id` int NOT NULL,
	`place` int NOT NULL,
	`target` varbinary(4096) NOT NULL,
	`sentences` int,
	`score` double,
	`best` json,
	CONSTRAINT `proposal_run_target_run_id_place_pk` PRIMARY KEY(`run_id`,`place`)
);
--> statement-breakpoint
CREATE TABLE `proposal_run` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`survey_id` int NOT NULL,
	`revision` int NOT NULL,
	`line` text NOT NULL,
	`state` varchar(8) NOT NULL,
	`trouble` text NOT NULL,
	`targets` int NOT NULL,
	`owner` varchar(64) NOT NULL,
	`lease_until` bigint NOT NULL,
	`attempts` int NOT NULL,
	`created_at` bigint NOT NULL,
	`ended_at` bigint,
	CONSTRAINT `proposal_run_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `generic_word_site` ON `generic_word` (`site_id`);--> statement-breakpoint
CREATE INDEX `proposal_run_site` ON `proposal_run` (`site_id`);--> statement-breakpoint
CREATE INDEX `proposal_run_state` ON `proposal_run` (`state`);