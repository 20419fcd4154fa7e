CREATE TABLE `robots_proposal` (
	`id` int AUTO_INCREMENT NOT NULL,
	`site_id` int NOT NULL,
	`origin` varchar(300) NOT NULL,
	`text` mediumtext NOT NULL,
	`note` text NOT NULL,
	`updated_at` bigint NOT NULL,
	CONSTRAINT `robots_proposal_id` PRIMARY KEY(`id`),
	CONSTRAINT `robots_proposal_host` UNIQUE(`site_id`,`origin`)
);
