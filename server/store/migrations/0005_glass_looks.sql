ALTER TABLE `glasses` ADD `second` text;--> statement-breakpoint
ALTER TABLE `glasses` ADD `coat` text DEFAULT 'none' NOT NULL;