CREATE TABLE `facts` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `flies` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`revision` integer NOT NULL,
	`file` text NOT NULL,
	`summary` text NOT NULL,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	`deleted_at` integer
);
--> statement-breakpoint
CREATE INDEX `flies_by_name` ON `flies` (`name`);--> statement-breakpoint
CREATE INDEX `flies_deleted` ON `flies` (`deleted_at`);--> statement-breakpoint
CREATE TABLE `versions` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`fly_id` text NOT NULL,
	`revision` integer NOT NULL,
	`kind` text NOT NULL,
	`file` text NOT NULL,
	`summary` text NOT NULL,
	`started_at` integer NOT NULL,
	`saved_at` integer NOT NULL,
	FOREIGN KEY (`fly_id`) REFERENCES `flies`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `versions_by_fly` ON `versions` (`fly_id`,`revision`);