CREATE TABLE `page_detail` (
	`survey_id` int NOT NULL,
	`page` int NOT NULL,
	`facts` mediumblob NOT NULL,
	`text` mediumblob NOT NULL,
	`body_hash` varbinary(8) NOT NULL,
	`signature` varbinary(128) NOT NULL,
	CONSTRAINT `page_detail_survey_id_page_pk` PRIMARY KEY(`survey_id`,`page`)
);
--> statement-breakpoint
CREATE TABLE `page_main` (
	`survey_id` int NOT NULL,
	`page` int NOT NULL,
	`hash` varbinary(8) NOT NULL,
	`words` int NOT NULL,
	`signature` varbinary(128) NOT NULL,
	CONSTRAINT `page_main_survey_id_page_pk` PRIMARY KEY(`survey_id`,`page`)
);
--> statement-breakpoint
CREATE TABLE `page_source` (
	`survey_id` int NOT NULL,
	`page` int NOT NULL,
	`source` mediumblob NOT NULL,
	CONSTRAINT `page_source_survey_id_page_pk` PRIMARY KEY(`survey_id`,`page`)
);
--> statement-breakpoint
CREATE TABLE `target_check` (
	`survey_id` int NOT NULL,
	`address` int NOT NULL,
	`kind` varchar(16) NOT NULL,
	`status` smallint,
	`not_read` varchar(16) NOT NULL,
	`failure` varchar(500) NOT NULL,
	`media_type` varchar(200) NOT NULL,
	`redirect_to` int,
	`milliseconds` int,
	`read_at` bigint NOT NULL,
	CONSTRAINT `target_check_survey_id_address_pk` PRIMARY KEY(`survey_id`,`address`)
);
--> statement-breakpoint
ALTER TABLE `job` ADD `pause_asked` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `page` ADD `type_note` varchar(300) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `page` ADD `body_trouble` varchar(300) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `secrets` mediumblob;--> statement-breakpoint
ALTER TABLE `survey` ADD `secrets` mediumblob;--> statement-breakpoint
ALTER TABLE `survey` ADD `decisions` json;--> statement-breakpoint
ALTER TABLE `survey` ADD `read_milliseconds` bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `survey` ADD `is_deleted` boolean DEFAULT false NOT NULL;