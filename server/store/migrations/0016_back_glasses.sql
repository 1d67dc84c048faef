ALTER TABLE `pieces` ADD `back_glass_id` text REFERENCES glasses(id);--> statement-breakpoint
ALTER TABLE `pieces` ADD `back_from_stock` text;--> statement-breakpoint
CREATE INDEX `pieces_back_to_cut` ON `pieces` (`back_glass_id`) WHERE "pieces"."back_glass_id" is not null and "pieces"."back_from_stock" is null and "pieces"."drawn" = 1;