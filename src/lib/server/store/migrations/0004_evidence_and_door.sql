CREATE TABLE `door_check` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int,
	`url` varbinary(4096) NOT NULL,
	`at` bigint NOT NULL,
	`report` json NOT NULL,
	CONSTRAINT `door_check_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `evidence_import_row` (
	`survey_id` int NOT NULL,
	`import_id` int NOT NULL,
	`n` int NOT NULL,
	`url` varbinary(4096) NOT NULL,
	`source` varbinary(4096) NOT NULL,
	`cells` text NOT NULL,
	CONSTRAINT `evidence_import_row_survey_id_import_id_n_pk` PRIMARY KEY(`survey_id`,`import_id`,`n`)
);
--> statement-breakpoint
CREATE TABLE `evidence_import` (
	`id` int AUTO_INCREMENT NOT NULL,
	`survey_id` int NOT NULL,
	`kind` varchar(16) NOT NULL,
	`name` varchar(255) NOT NULL,
	`at` bigint NOT NULL,
	`outcome` json NOT NULL,
	`bad_lines` mediumblob NOT NULL,
	`revision` int NOT NULL,
	CONSTRAINT `evidence_import_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `revision` (
	`survey_id` int NOT NULL,
	`number` int NOT NULL,
	`at` bigint NOT NULL,
	`why` varchar(500) NOT NULL,
	`summary` json NOT NULL,
	CONSTRAINT `revision_survey_id_number_pk` PRIMARY KEY(`survey_id`,`number`)
);
--> statement-breakpoint
CREATE INDEX `door_check_site` ON `door_check` (`site_id`);--> statement-breakpoint
CREATE INDEX `evidence_import_survey` ON `evidence_import` (`survey_id`);