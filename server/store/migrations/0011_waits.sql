CREATE TABLE `waits` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`pieces` text NOT NULL,
	`numbers` text NOT NULL,
	`name` text NOT NULL,
	`from_at` integer NOT NULL,
	`until_at` integer NOT NULL,
	`is_over` integer NOT NULL,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `waits_by_panel` ON `waits` (`panel_id`) WHERE "waits"."is_over" = 0;