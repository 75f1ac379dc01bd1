CREATE TABLE `shelf_pictures` (
	`client_id` text NOT NULL,
	`picture_id` text NOT NULL,
	`name` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`client_id`, `picture_id`),
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`picture_id`) REFERENCES `pictures`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `crops` ADD `plain_bytes` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `layers` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `narrow_id` text REFERENCES pictures(id);--> statement-breakpoint
ALTER TABLE `jobs` ADD `narrow_name` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `before_id` text REFERENCES pictures(id);