CREATE TABLE `clients` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`house` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `crops` (
	`key` text PRIMARY KEY NOT NULL,
	`picture_id` text NOT NULL,
	`likeness_millionths` integer NOT NULL,
	FOREIGN KEY (`picture_id`) REFERENCES `pictures`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `deliveries` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`destination` text NOT NULL,
	`ok` integer NOT NULL,
	`summary` text NOT NULL,
	`detail` text NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `deliveries_job` ON `deliveries` (`job_id`);--> statement-breakpoint
CREATE TABLE `documents` (
	`job_id` text NOT NULL,
	`kind` text NOT NULL,
	`revision` integer NOT NULL,
	`body` text NOT NULL,
	`saved_at` text NOT NULL,
	PRIMARY KEY(`job_id`, `kind`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`client_id` text NOT NULL,
	`name` text NOT NULL,
	`width` integer NOT NULL,
	`due` text,
	`archived` integer DEFAULT false NOT NULL,
	`design_id` text NOT NULL,
	`design_name` text NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`design_id`) REFERENCES `pictures`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `jobs_client` ON `jobs` (`client_id`);--> statement-breakpoint
CREATE TABLE `pictures` (
	`id` text PRIMARY KEY NOT NULL,
	`type` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`bytes` integer NOT NULL,
	`created_at` text NOT NULL
);
