ALTER TABLE `pieces` ADD `too_small` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `pieces` ADD `glass_mm2` integer;