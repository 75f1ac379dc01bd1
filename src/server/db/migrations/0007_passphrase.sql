CREATE TABLE `passphrase` (
	`id` integer PRIMARY KEY NOT NULL,
	`hash` text NOT NULL,
	`set_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`expires_at` integer NOT NULL
);
