ALTER TABLE `records` ADD `fly` text;--> statement-breakpoint
CREATE INDEX `records_by_fly` ON `records` (`fly`,`kind`);