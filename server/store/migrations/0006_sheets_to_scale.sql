ALTER TABLE `pieces` ADD `spot` text;--> statement-breakpoint
CREATE INDEX `pieces_laid_on` ON `pieces` ("spot" ->> '$.stockId') WHERE "pieces"."stage" = 'to-cut' and "pieces"."drawn" = 1;--> statement-breakpoint
ALTER TABLE `stock` ADD `outline` text;--> statement-breakpoint
ALTER TABLE `stock` ADD `flaws` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `stock` ADD `root_id` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `stock` ADD `breaks` text;