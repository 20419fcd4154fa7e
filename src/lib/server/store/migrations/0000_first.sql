CREATE TABLE `address` (
	`survey_id` int NOT NULL,
	`id` int NOT NULL,
	`internal` boolean NOT NULL,
	`url` varbinary(4096) NOT NULL,
	CONSTRAINT `address_survey_id_id_pk` PRIMARY KEY(`survey_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `block` (
	`survey_id` int NOT NULL,
	`id` int NOT NULL,
	`region` tinyint NOT NULL,
	`place` varchar(512) NOT NULL,
	`list` int NOT NULL,
	`name` varchar(16) NOT NULL,
	CONSTRAINT `block_survey_id_id_pk` PRIMARY KEY(`survey_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `evidence` (
	`survey_id` int NOT NULL,
	`id` int NOT NULL,
	`address` int NOT NULL,
	`evidence` varchar(16) NOT NULL,
	`source` varbinary(4096) NOT NULL,
	`line` int NOT NULL,
	`lastmod` varchar(64) NOT NULL,
	CONSTRAINT `evidence_survey_id_id_pk` PRIMARY KEY(`survey_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `file` (
	`survey_id` int NOT NULL,
	`id` int NOT NULL,
	`kind` varchar(16) NOT NULL,
	`url` varbinary(4096) NOT NULL,
	`status` smallint,
	`note` text NOT NULL,
	`entries` int,
	`text` mediumtext NOT NULL,
	CONSTRAINT `file_survey_id_id_pk` PRIMARY KEY(`survey_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `job` (
	`id` int AUTO_INCREMENT NOT NULL,
	`survey_id` int NOT NULL,
	`state` varchar(16) NOT NULL,
	`owner` varchar(64) NOT NULL DEFAULT '',
	`lease_until` bigint NOT NULL DEFAULT 0,
	`stop_asked` boolean NOT NULL DEFAULT false,
	`attempts` int NOT NULL DEFAULT 0,
	`progress` json,
	`created_at` bigint NOT NULL,
	CONSTRAINT `job_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `layout` (
	`survey_id` int NOT NULL,
	`id` int NOT NULL,
	`places` mediumblob NOT NULL,
	CONSTRAINT `layout_survey_id_id_pk` PRIMARY KEY(`survey_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `link_list` (
	`survey_id` int NOT NULL,
	`id` int NOT NULL,
	`links` mediumblob NOT NULL,
	CONSTRAINT `link_list_survey_id_id_pk` PRIMARY KEY(`survey_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `page_block` (
	`survey_id` int NOT NULL,
	`page` int NOT NULL,
	`ordinal` int NOT NULL,
	`block` int NOT NULL,
	`layout` int NOT NULL,
	`line` int NOT NULL,
	CONSTRAINT `page_block_survey_id_page_ordinal_pk` PRIMARY KEY(`survey_id`,`page`,`ordinal`)
);
--> statement-breakpoint
CREATE TABLE `page` (
	`survey_id` int NOT NULL,
	`address` int NOT NULL,
	`seq` int NOT NULL,
	`status` smallint,
	`not_read` varchar(16) NOT NULL,
	`failure` varchar(500) NOT NULL,
	`media_type` varchar(200) NOT NULL,
	`redirect_to` int,
	`instant_refresh` int,
	`title` text NOT NULL,
	`h1` text NOT NULL,
	`description` text NOT NULL,
	`language` varchar(100) NOT NULL,
	`words` int,
	`meta_robots` text NOT NULL,
	`x_robots_tag` text NOT NULL,
	`noindex` boolean NOT NULL,
	`noindex_reason` varchar(200) NOT NULL,
	`nofollow` boolean NOT NULL,
	`canonicals` text NOT NULL,
	`robots_allowed` boolean,
	`robots_rule` text NOT NULL,
	`bytes` int,
	`milliseconds` int,
	`read_at` bigint,
	CONSTRAINT `page_survey_id_address_pk` PRIMARY KEY(`survey_id`,`address`)
);
--> statement-breakpoint
CREATE TABLE `site` (
	`id` int AUTO_INCREMENT NOT NULL,
	`name` varchar(200) NOT NULL,
	`start` varbinary(4096) NOT NULL,
	`settings` json NOT NULL,
	`created_at` bigint NOT NULL,
	CONSTRAINT `site_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `survey` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`number` int NOT NULL,
	`state` varchar(16) NOT NULL,
	`cut` varchar(100) NOT NULL DEFAULT '',
	`trouble` text NOT NULL,
	`settings` json NOT NULL,
	`created_at` bigint NOT NULL,
	`started_at` bigint,
	`ended_at` bigint,
	`batches` int NOT NULL DEFAULT 0,
	`revision` int NOT NULL DEFAULT 0,
	CONSTRAINT `survey_id` PRIMARY KEY(`id`),
	CONSTRAINT `survey_number` UNIQUE(`site_id`,`number`)
);
--> statement-breakpoint
CREATE INDEX `job_state` ON `job` (`state`);