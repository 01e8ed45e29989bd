CREATE TABLE `hands` (
	`name` text PRIMARY KEY NOT NULL,
	`hand` text NOT NULL,
	`revision` integer NOT NULL
);
