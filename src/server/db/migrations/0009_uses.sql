CREATE TABLE `approvals` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`share_id` text NOT NULL,
	`by` text NOT NULL,
	`at` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`share_id`) REFERENCES `shares`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `approvals_job` ON `approvals` (`job_id`);--> statement-breakpoint
CREATE TABLE `tries` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`address` text NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `tries_address` ON `tries` (`address`);--> statement-breakpoint
CREATE TABLE `uses` (
	`owner` text NOT NULL,
	`thing` text NOT NULL,
	PRIMARY KEY(`owner`, `thing`)
);
--> statement-breakpoint
CREATE INDEX `uses_thing` ON `uses` (`thing`);--> statement-breakpoint
INSERT INTO `approvals` (`id`, `job_id`, `share_id`, `by`, `at`, `revision`) SELECT 'yes-' || `id`, `job_id`, `id`, `yes_by`, `yes_at`, coalesce(`yes_revision`, 0) FROM `shares` WHERE `yes_by` IS NOT NULL AND `yes_at` IS NOT NULL;
