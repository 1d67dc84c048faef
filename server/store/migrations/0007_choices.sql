CREATE TABLE `choices` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`name` text NOT NULL,
	`glasses` text NOT NULL,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `choices_by_panel` ON `choices` (`panel_id`);