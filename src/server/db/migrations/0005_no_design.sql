CREATE TABLE `kept_parts` (
	`id` text PRIMARY KEY NOT NULL,
	`client_id` text NOT NULL,
	`name` text NOT NULL,
	`body` text NOT NULL,
	`whole` integer NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `kept_parts_client` ON `kept_parts` (`client_id`);--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`client_id` text NOT NULL,
	`name` text NOT NULL,
	`width` integer NOT NULL,
	`due` text,
	`archived` integer DEFAULT false NOT NULL,
	`design_id` text,
	`design_name` text DEFAULT '' NOT NULL,
	`layers` text,
	`narrow_id` text,
	`narrow_name` text,
	`before_id` text,
	`remote` integer DEFAULT false NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`design_id`) REFERENCES `pictures`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`narrow_id`) REFERENCES `pictures`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`before_id`) REFERENCES `pictures`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_jobs`("id", "client_id", "name", "width", "due", "archived", "design_id", "design_name", "layers", "narrow_id", "narrow_name", "before_id", "remote", "created_at", "updated_at") SELECT "id", "client_id", "name", "width", "due", "archived", "design_id", "design_name", "layers", "narrow_id", "narrow_name", "before_id", "remote", "created_at", "updated_at" FROM `jobs`;--> statement-breakpoint
DROP TABLE `jobs`;--> statement-breakpoint
ALTER TABLE `__new_jobs` RENAME TO `jobs`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `jobs_client` ON `jobs` (`client_id`);