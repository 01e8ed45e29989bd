CREATE TABLE `taken` (
	`batch` text NOT NULL,
	`begun` text NOT NULL,
	`item` text NOT NULL,
	`moves` text NOT NULL,
	`comes_back` integer NOT NULL,
	`is_back` integer NOT NULL,
	PRIMARY KEY(`batch`, `begun`, `item`),
	FOREIGN KEY (`batch`) REFERENCES `records`(`id`) ON UPDATE no action ON DELETE cascade
);
