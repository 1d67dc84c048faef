-- Rows follow from the log and are made again from it; old drawings wait in old_cartoons until they are brought up to date.
DROP TABLE `settings`;
--> statement-breakpoint
DROP TABLE `people`;
--> statement-breakpoint
DROP TABLE `glasses`;
--> statement-breakpoint
DROP TABLE `commissions`;
--> statement-breakpoint
DROP TABLE `panels`;
--> statement-breakpoint
DROP TABLE `pieces`;
--> statement-breakpoint
DROP TABLE `stock`;
--> statement-breakpoint
DROP TABLE `moves`;
--> statement-breakpoint
DROP TABLE `mishaps`;
--> statement-breakpoint
DROP TABLE `hours`;
--> statement-breakpoint
ALTER TABLE `log` RENAME TO `old_log`;
--> statement-breakpoint
DROP INDEX `log_command_id_unique`;
--> statement-breakpoint
DROP INDEX `log_by_bench`;
--> statement-breakpoint
DROP INDEX `log_by_panel`;
--> statement-breakpoint
ALTER TABLE `cartoons` RENAME TO `old_cartoons`;
--> statement-breakpoint
CREATE TABLE `commissions` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`title` text NOT NULL,
	`client` text NOT NULL,
	`due` text,
	`note` text NOT NULL,
	`in_hand` integer NOT NULL,
	CONSTRAINT "commissions_due" CHECK("commissions"."due" is null or "commissions"."due" like '____-__-__')
);
--> statement-breakpoint
CREATE INDEX `commissions_in_hand` ON `commissions` (`due`,`id`) WHERE "commissions"."in_hand" = 1;--> statement-breakpoint
CREATE INDEX `commissions_past` ON `commissions` (`due`,`id`) WHERE "commissions"."in_hand" = 0;--> statement-breakpoint
CREATE TABLE `drawings` (
	`id` text PRIMARY KEY NOT NULL,
	`panel_id` text NOT NULL,
	`at` integer NOT NULL,
	`source_name` text NOT NULL,
	`source_hash` text NOT NULL,
	`allowance` text NOT NULL,
	`packed` blob NOT NULL,
	FOREIGN KEY (`source_hash`) REFERENCES `files`(`hash`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `drawings_by_panel` ON `drawings` (`panel_id`,`at`);--> statement-breakpoint
CREATE TABLE `file_uses` (
	`hash` text NOT NULL,
	`of_table` text NOT NULL,
	`of_id` text NOT NULL,
	`role` text NOT NULL,
	`name` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`of_table`, `of_id`, `role`, `hash`),
	FOREIGN KEY (`hash`) REFERENCES `files`(`hash`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `file_uses_by_hash` ON `file_uses` (`hash`);--> statement-breakpoint
CREATE TABLE `files` (
	`hash` text PRIMARY KEY NOT NULL,
	`media_type` text NOT NULL,
	`bytes` integer NOT NULL,
	`packed` blob NOT NULL,
	CONSTRAINT "files_hash" CHECK(length("files"."hash") = 64),
	CONSTRAINT "files_bytes" CHECK("files"."bytes" >= 0)
);
--> statement-breakpoint
CREATE TABLE `glasses` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`code` text NOT NULL,
	`name` text NOT NULL,
	`colour` text NOT NULL,
	`texture` text NOT NULL,
	`thickness_mm` real NOT NULL,
	`hiding` text NOT NULL,
	`flow` integer NOT NULL,
	`price_cents_per_m2` integer NOT NULL,
	CONSTRAINT "glasses_thickness" CHECK("glasses"."thickness_mm" > 0),
	CONSTRAINT "glasses_price" CHECK("glasses"."price_cents_per_m2" >= 0)
);
--> statement-breakpoint
CREATE UNIQUE INDEX `glasses_by_code` ON `glasses` (lower("code"));--> statement-breakpoint
CREATE TABLE `hours` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`person_id` text NOT NULL,
	`panel_id` text,
	`stage` text NOT NULL,
	`started_at` integer NOT NULL,
	`ended_at` integer,
	`by_hand` integer NOT NULL,
	`note` text NOT NULL,
	`rate_cents_per_hour` integer NOT NULL,
	`removed` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "hours_order" CHECK("hours"."ended_at" is null or "hours"."ended_at" >= "hours"."started_at"),
	CONSTRAINT "hours_rate" CHECK("hours"."rate_cents_per_hour" >= 0)
);
--> statement-breakpoint
CREATE INDEX `hours_by_panel` ON `hours` (`panel_id`) WHERE "hours"."removed" = 0;--> statement-breakpoint
CREATE INDEX `hours_by_time` ON `hours` (`started_at`) WHERE "hours"."removed" = 0;--> statement-breakpoint
CREATE UNIQUE INDEX `hours_running` ON `hours` (`person_id`) WHERE "hours"."ended_at" is null and "hours"."removed" = 0;--> statement-breakpoint
CREATE TABLE `joints` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`number` integer NOT NULL,
	`drawn` integer NOT NULL,
	`kind` text NOT NULL,
	`front_at` integer,
	`back_at` integer,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "joints_kind" CHECK("joints"."kind" in ('L', 'T', 'X', 'many'))
);
--> statement-breakpoint
CREATE UNIQUE INDEX `joints_by_number` ON `joints` (`panel_id`,`number`) WHERE "joints"."drawn" = 1;--> statement-breakpoint
CREATE TABLE `ledger_totals` (
	`kind` text PRIMARY KEY NOT NULL,
	`sum_mm2` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `log` (
	`seq` integer PRIMARY KEY NOT NULL,
	`command_id` text NOT NULL,
	`at` integer NOT NULL,
	`person_id` text,
	`bench` text NOT NULL,
	`kind` text NOT NULL,
	`version` integer NOT NULL,
	`panel_id` text,
	`fact` text NOT NULL,
	`inverse` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `log_command_id_unique` ON `log` (`command_id`);--> statement-breakpoint
CREATE INDEX `log_by_bench` ON `log` (`bench`,`seq`);--> statement-breakpoint
CREATE INDEX `log_by_panel` ON `log` (`panel_id`,`seq`);--> statement-breakpoint
CREATE TABLE `log_originals` (
	`seq` integer PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`version` integer NOT NULL,
	`fact` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `meta` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `mishaps` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`piece_id` text NOT NULL,
	`number` integer NOT NULL,
	`at` integer NOT NULL,
	`reason` text NOT NULL,
	`stage` text NOT NULL,
	`glass_id` text,
	`glass_mm2` integer NOT NULL,
	`glass_cents` integer NOT NULL,
	`minutes` real NOT NULL,
	`labour_cents` integer NOT NULL,
	`recut_from` text,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`glass_id`) REFERENCES `glasses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`piece_id`) REFERENCES `pieces`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "mishaps_cost" CHECK("mishaps"."glass_cents" >= 0 and "mishaps"."labour_cents" >= 0 and "mishaps"."minutes" >= 0)
);
--> statement-breakpoint
CREATE INDEX `mishaps_by_panel` ON `mishaps` (`panel_id`);--> statement-breakpoint
CREATE INDEX `mishaps_by_piece` ON `mishaps` (`piece_id`);--> statement-breakpoint
CREATE INDEX `mishaps_by_time` ON `mishaps` (`at`);--> statement-breakpoint
CREATE TABLE `moves` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`seq` integer NOT NULL,
	`at` integer NOT NULL,
	`stock_id` text NOT NULL,
	`kind` text NOT NULL,
	`delta_mm2` integer NOT NULL,
	`balance_mm2` integer NOT NULL,
	`panel_id` text,
	`numbers` text NOT NULL,
	`note` text NOT NULL,
	CONSTRAINT "moves_balance" CHECK("moves"."balance_mm2" >= 0),
	CONSTRAINT "moves_kind" CHECK("moves"."kind" in ('received', 'pieces', 'offcut', 'waste', 'put back'))
);
--> statement-breakpoint
CREATE INDEX `moves_by_seq` ON `moves` (`seq`);--> statement-breakpoint
CREATE INDEX `moves_by_stock` ON `moves` (`stock_id`,`seq`);--> statement-breakpoint
CREATE TABLE `panels` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`commission_id` text NOT NULL,
	`name` text NOT NULL,
	`technique` text NOT NULL,
	`route_id` text NOT NULL,
	`width_mm` real NOT NULL,
	`height_mm` real NOT NULL,
	`allowance` text NOT NULL,
	`opening` text,
	`cartoon_id` text,
	`source_name` text,
	`free_id` integer NOT NULL,
	`piece_count` integer NOT NULL,
	`joint_count` integer NOT NULL,
	`counts` text NOT NULL,
	`delivered_at` integer,
	FOREIGN KEY (`commission_id`) REFERENCES `commissions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`route_id`) REFERENCES `routes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`cartoon_id`) REFERENCES `drawings`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "panels_technique" CHECK("panels"."technique" in ('foil', 'lead')),
	CONSTRAINT "panels_size" CHECK("panels"."width_mm" > 0 and "panels"."height_mm" > 0),
	CONSTRAINT "panels_counts" CHECK("panels"."piece_count" >= 0 and "panels"."joint_count" >= 0 and "panels"."free_id" > 0)
);
--> statement-breakpoint
CREATE INDEX `panels_by_commission` ON `panels` (`commission_id`);--> statement-breakpoint
CREATE INDEX `panels_in_hand` ON `panels` (`id`) WHERE "panels"."delivered_at" is null;--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`name` text NOT NULL,
	`initial` text NOT NULL,
	`rate_cents_per_hour` integer NOT NULL,
	`active` integer NOT NULL,
	CONSTRAINT "people_rate" CHECK("people"."rate_cents_per_hour" >= 0)
);
--> statement-breakpoint
CREATE TABLE `piece_log` (
	`piece_id` text NOT NULL,
	`seq` integer NOT NULL,
	PRIMARY KEY(`piece_id`, `seq`)
);
--> statement-breakpoint
CREATE TABLE `pieces` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`number` integer NOT NULL,
	`drawn` integer NOT NULL,
	`label` text,
	`glass_id` text,
	`stage` text NOT NULL,
	`asks` text NOT NULL,
	`broken` text,
	`recuts` integer NOT NULL,
	`from_stock` text,
	`area_mm2` integer NOT NULL,
	`perimeter_mm` real NOT NULL,
	`width_mm` real NOT NULL,
	`height_mm` real NOT NULL,
	`difficulty` integer NOT NULL,
	`recheck` integer NOT NULL,
	`flow_deg` real,
	`section` text,
	`locked` integer NOT NULL,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`glass_id`) REFERENCES `glasses`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "pieces_area" CHECK("pieces"."area_mm2" > 0),
	CONSTRAINT "pieces_recuts" CHECK("pieces"."recuts" >= 0),
	CONSTRAINT "pieces_difficulty" CHECK("pieces"."difficulty" between 1 and 5),
	CONSTRAINT "pieces_broken" CHECK("pieces"."broken" is null or "pieces"."stage" = 'to-cut'),
	CONSTRAINT "pieces_flow" CHECK("pieces"."flow_deg" is null or "pieces"."flow_deg" between 0 and 180)
);
--> statement-breakpoint
CREATE UNIQUE INDEX `pieces_by_number` ON `pieces` (`panel_id`,`number`) WHERE "pieces"."drawn" = 1;--> statement-breakpoint
CREATE INDEX `pieces_to_cut` ON `pieces` (`glass_id`) WHERE "pieces"."stage" = 'to-cut' and "pieces"."drawn" = 1;--> statement-breakpoint
CREATE TABLE `route_steps` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`route_id` text NOT NULL,
	`place` integer NOT NULL,
	`code` text NOT NULL,
	`scope` text NOT NULL,
	`word` text NOT NULL,
	`verb` text NOT NULL,
	`calls` text NOT NULL,
	`work` text NOT NULL,
	`look` text NOT NULL,
	`deed` text NOT NULL,
	`needs` text NOT NULL,
	`wait_min` integer NOT NULL,
	`wait_name` text,
	`caution` text,
	`may_be_left_out` integer NOT NULL,
	`only_asked` integer NOT NULL,
	FOREIGN KEY (`route_id`) REFERENCES `routes`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "route_steps_scope" CHECK("route_steps"."scope" in ('piece', 'panel')),
	CONSTRAINT "route_steps_wait" CHECK("route_steps"."wait_min" >= 0)
);
--> statement-breakpoint
CREATE UNIQUE INDEX `route_steps_by_route` ON `route_steps` (`route_id`,`place`);--> statement-breakpoint
CREATE TABLE `routes` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`key` text NOT NULL,
	`version` integer NOT NULL,
	`name` text NOT NULL,
	`technique` text NOT NULL,
	CONSTRAINT "routes_technique" CHECK("routes"."technique" in ('foil', 'lead'))
);
--> statement-breakpoint
CREATE UNIQUE INDEX `routes_by_key` ON `routes` (`key`,`version`);--> statement-breakpoint
CREATE TABLE `sections` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`letter` text NOT NULL,
	`name` text NOT NULL,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sections_by_panel` ON `sections` (`panel_id`,`letter`);--> statement-breakpoint
CREATE TABLE `settings` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`studio` text NOT NULL,
	`unit` text NOT NULL,
	`currency` text NOT NULL,
	`locale` text NOT NULL,
	`long_clock_min` integer NOT NULL,
	`limits` text NOT NULL,
	CONSTRAINT "settings_unit" CHECK("settings"."unit" in ('mm', 'in')),
	CONSTRAINT "settings_clock" CHECK("settings"."long_clock_min" > 0)
);
--> statement-breakpoint
CREATE TABLE `steps` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`panel_id` text NOT NULL,
	`step` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`panel_id`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `steps_by_panel` ON `steps` (`panel_id`,`step`);--> statement-breakpoint
CREATE TABLE `stock` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`glass_id` text NOT NULL,
	`kind` text NOT NULL,
	`width_mm` real NOT NULL,
	`height_mm` real NOT NULL,
	`area_mm2` integer NOT NULL,
	`place` text NOT NULL,
	`cost_cents` integer NOT NULL,
	`parent_id` text,
	`gone` text,
	FOREIGN KEY (`glass_id`) REFERENCES `glasses`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "stock_kind" CHECK("stock"."kind" in ('sheet', 'offcut')),
	CONSTRAINT "stock_area" CHECK("stock"."area_mm2" >= 0 and ("stock"."gone" is null or "stock"."area_mm2" = 0)),
	CONSTRAINT "stock_size" CHECK("stock"."width_mm" > 0 and "stock"."height_mm" > 0),
	CONSTRAINT "stock_cost" CHECK("stock"."cost_cents" >= 0)
);
--> statement-breakpoint
CREATE INDEX `stock_by_label` ON `stock` (lower("id"));--> statement-breakpoint
CREATE INDEX `stock_on_rack` ON `stock` (`glass_id`) WHERE "stock"."gone" is null;--> statement-breakpoint
CREATE TABLE `studies` (
	`drawing_id` text PRIMARY KEY NOT NULL,
	`rules` text NOT NULL,
	`packed` blob NOT NULL,
	`sketch` blob NOT NULL,
	FOREIGN KEY (`drawing_id`) REFERENCES `drawings`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `log` (`seq`, `command_id`, `at`, `person_id`, `bench`, `kind`, `version`, `panel_id`, `fact`, `inverse`) SELECT `seq`, `command_id`, `at`, `person_id`, `bench`, `kind`, `version`, `panel_id`, `payload`, '[]' FROM `old_log`;
--> statement-breakpoint
DROP TABLE `old_log`;
--> statement-breakpoint
CREATE TRIGGER `moves_come` AFTER INSERT ON `moves` BEGIN
	INSERT INTO `ledger_totals` (`kind`, `sum_mm2`) VALUES (new.`kind`, new.`delta_mm2`)
	ON CONFLICT (`kind`) DO UPDATE SET `sum_mm2` = `sum_mm2` + excluded.`sum_mm2`;
END;
--> statement-breakpoint
CREATE TRIGGER `moves_go` AFTER DELETE ON `moves` BEGIN
	UPDATE `ledger_totals` SET `sum_mm2` = `sum_mm2` - old.`delta_mm2` WHERE `kind` = old.`kind`;
END;
