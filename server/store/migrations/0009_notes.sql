CREATE TABLE `notes` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`subject` text NOT NULL,
	`panel_id` text,
	`words` text NOT NULL,
	`picture` text,
	`at` real NOT NULL,
	`person_id` text
);
--> statement-breakpoint
CREATE INDEX `notes_by_subject` ON `notes` (`subject`);