CREATE TABLE `drawer_items` (
	`id` text PRIMARY KEY NOT NULL,
	`drawer` text NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`item` text NOT NULL,
	`revision` integer NOT NULL,
	`updated_at` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `drawer_items_by_name` ON `drawer_items` (`drawer`,`kind`,lower("name"));