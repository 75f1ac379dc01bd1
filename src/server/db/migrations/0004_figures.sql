CREATE TABLE `figures` (
	`job_id` text PRIMARY KEY NOT NULL,
	`of` text NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `clients` ADD `revision` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `remote` integer DEFAULT false NOT NULL;