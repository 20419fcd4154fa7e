DELETE FROM `packed_chunk`;--> statement-breakpoint
DELETE FROM `packed_part`;--> statement-breakpoint
ALTER TABLE `packed_chunk` ADD `revision` int NOT NULL;--> statement-breakpoint
ALTER TABLE `packed_chunk` DROP PRIMARY KEY, ADD PRIMARY KEY(`survey_id`,`revision`,`part`,`n`);--> statement-breakpoint
ALTER TABLE `packed_part` DROP PRIMARY KEY, ADD PRIMARY KEY(`survey_id`,`revision`,`part`);
