CREATE TABLE `remarks` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`share_id` text NOT NULL,
	`band` text NOT NULL,
	`tile` text,
	`lens` text NOT NULL,
	`by` text NOT NULL,
	`said` text NOT NULL,
	`at` text NOT NULL,
	`settled_at` text,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`share_id`) REFERENCES `shares`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `remarks_job` ON `remarks` (`job_id`);--> statement-breakpoint
CREATE TABLE `shares` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`created_at` text NOT NULL,
	`expires_at` text NOT NULL,
	`revoked_at` text,
	`yes_by` text,
	`yes_at` text,
	`yes_revision` integer,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `shares_job` ON `shares` (`job_id`);