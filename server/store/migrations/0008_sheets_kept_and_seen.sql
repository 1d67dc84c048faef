CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`rev` integer NOT NULL,
	`hash` text NOT NULL,
	`x` real NOT NULL,
	`y` real NOT NULL,
	`width_mm` real NOT NULL,
	`height_mm` real NOT NULL,
	CONSTRAINT "photos_size" CHECK("photos"."width_mm" > 0 and "photos"."height_mm" > 0)
);
--> statement-breakpoint
ALTER TABLE `stock` ADD `kept_for` text;--> statement-breakpoint
CREATE INDEX `stock_sheets` ON `stock` (`glass_id`) WHERE "stock"."kind" = 'sheet';