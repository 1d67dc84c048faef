CREATE TABLE `day_sheets` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`person_id` text NOT NULL,
	`day` text NOT NULL,
	`minutes` real NOT NULL,
	`signed_at` integer NOT NULL,
	`signed_by` text,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `day_sheets_by_day` ON `day_sheets` (`day`);--> statement-breakpoint
CREATE TABLE `finishes` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`hold` text NOT NULL,
	`edge` text NOT NULL,
	`rings` text NOT NULL,
	`spread_deg` real NOT NULL,
	`bars` text NOT NULL,
	`place` text NOT NULL,
	`bedding` text NOT NULL,
	`has_outer_glass` integer NOT NULL,
	`measured` text,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `lead_marks` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`cut` text NOT NULL,
	`through` text NOT NULL,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `repairs` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`piece_id` text NOT NULL,
	`number` integer NOT NULL,
	`way` text NOT NULL,
	`words` text NOT NULL,
	`opened_at` integer NOT NULL,
	`done` text NOT NULL,
	`closed_at` integer,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `repairs_by_panel` ON `repairs` (`panel_id`);--> statement-breakpoint
CREATE TABLE `supplies` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`sort` text NOT NULL,
	`code` text NOT NULL,
	`pack_amount` real NOT NULL,
	`pack_cents` integer NOT NULL,
	`amount` real NOT NULL,
	`low` real NOT NULL,
	`place` text NOT NULL,
	`learnt` text NOT NULL,
	`away` text,
	`away_at` integer,
	CONSTRAINT "supplies_amount" CHECK("supplies"."amount" >= 0 and "supplies"."pack_amount" > 0 and "supplies"."pack_cents" >= 0)
);
--> statement-breakpoint
CREATE TABLE `supply_moves` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`supply_id` text NOT NULL,
	`kind` text NOT NULL,
	`delta` real NOT NULL,
	`balance` real NOT NULL,
	`cents` integer NOT NULL,
	`panel_id` text,
	`at` integer NOT NULL,
	`person_id` text,
	FOREIGN KEY (`supply_id`) REFERENCES `supplies`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `supply_moves_by_supply` ON `supply_moves` (`supply_id`,`at`);--> statement-breakpoint
CREATE INDEX `supply_moves_by_panel` ON `supply_moves` (`panel_id`);--> statement-breakpoint
CREATE TABLE `trays` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`letter` text NOT NULL,
	`person_id` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `trays_by_panel` ON `trays` (`panel_id`);--> statement-breakpoint
ALTER TABLE `settings` ADD `own_reasons` text DEFAULT '[]' NOT NULL;