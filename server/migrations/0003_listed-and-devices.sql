CREATE TABLE `devices` (
	`id` text PRIMARY KEY NOT NULL,
	`secret_hash` text NOT NULL,
	`phrase_mark` text NOT NULL,
	`words` text NOT NULL,
	`signed_in_at` integer NOT NULL,
	`seen_at` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `devices_secret_hash_unique` ON `devices` (`secret_hash`);--> statement-breakpoint
ALTER TABLE `flies` ADD `listed` text;--> statement-breakpoint
ALTER TABLE `tyings` ADD `edits` integer DEFAULT 0 NOT NULL;