ALTER TABLE `stock` ADD `kept_for` text;--> statement-breakpoint
CREATE INDEX `stock_sheets` ON `stock` (`glass_id`) WHERE "stock"."kind" = 'sheet';