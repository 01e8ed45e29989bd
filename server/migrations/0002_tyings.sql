CREATE TABLE `tyings` (
	`fly_id` text NOT NULL,
	`begun` integer NOT NULL,
	`changed` integer NOT NULL,
	`record` text NOT NULL,
	PRIMARY KEY(`fly_id`, `begun`),
	FOREIGN KEY (`fly_id`) REFERENCES `flies`(`id`) ON UPDATE no action ON DELETE cascade
);
