CREATE TABLE `cartoons` (
	`id` text PRIMARY KEY NOT NULL,
	`panel_id` text NOT NULL,
	`at` integer NOT NULL,
	`source_name` text NOT NULL,
	`source` text NOT NULL,
	`reading` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `commissions` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `glasses` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `hours` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL,
	`person_id` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `hours_by_person` ON `hours` (`person_id`);--> statement-breakpoint
CREATE TABLE `log` (
	`seq` integer PRIMARY KEY NOT NULL,
	`command_id` text NOT NULL,
	`at` integer NOT NULL,
	`person_id` text,
	`bench` text NOT NULL,
	`kind` text NOT NULL,
	`version` integer NOT NULL,
	`panel_id` text,
	`payload` text NOT NULL,
	`before` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `log_command_id_unique` ON `log` (`command_id`);--> statement-breakpoint
CREATE INDEX `log_by_bench` ON `log` (`bench`,`seq`);--> statement-breakpoint
CREATE INDEX `log_by_panel` ON `log` (`panel_id`,`seq`);--> statement-breakpoint
CREATE TABLE `mishaps` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL,
	`panel_id` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `mishaps_by_panel` ON `mishaps` (`panel_id`);--> statement-breakpoint
CREATE TABLE `moves` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL,
	`stock_id` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `moves_by_stock` ON `moves` (`stock_id`,`rev`);--> statement-breakpoint
CREATE TABLE `panels` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL,
	`commission_id` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `panels_by_commission` ON `panels` (`commission_id`);--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `pieces` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL,
	`panel_id` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `pieces_by_panel` ON `pieces` (`panel_id`);--> statement-breakpoint
CREATE TABLE `settings` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `stock` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`doc` text NOT NULL,
	`glass_id` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `stock_by_glass` ON `stock` (`glass_id`);