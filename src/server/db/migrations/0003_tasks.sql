CREATE TABLE `tasks` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`title` text NOT NULL,
	`job_id` text,
	`state` text NOT NULL,
	`progress` text,
	`problem` text,
	`result` text,
	`started_at` text NOT NULL,
	`ended_at` text,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `tasks_started` ON `tasks` (`started_at`);--> statement-breakpoint
ALTER TABLE `deliveries` ADD `state` text DEFAULT 'done' NOT NULL;--> statement-breakpoint
UPDATE `deliveries` SET `state` = 'failed' WHERE `ok` = 0;--> statement-breakpoint
ALTER TABLE `deliveries` ADD `key` text;--> statement-breakpoint
CREATE UNIQUE INDEX `deliveries_key_unique` ON `deliveries` (`key`);--> statement-breakpoint
ALTER TABLE `deliveries` DROP COLUMN `ok`;