DROP INDEX `commissions_in_hand`;--> statement-breakpoint
DROP INDEX `commissions_past`;--> statement-breakpoint
ALTER TABLE `commissions` ADD `away` text;--> statement-breakpoint
ALTER TABLE `commissions` ADD `away_at` integer;--> statement-breakpoint
CREATE INDEX `commissions_away` ON `commissions` (`away`,`away_at`) WHERE "commissions"."away" is not null;--> statement-breakpoint
CREATE INDEX `commissions_in_hand` ON `commissions` (`due`,`id`) WHERE "commissions"."in_hand" = 1 and "commissions"."away" is null;--> statement-breakpoint
CREATE INDEX `commissions_past` ON `commissions` (`due`,`id`) WHERE "commissions"."in_hand" = 0 and "commissions"."away" is null;--> statement-breakpoint
DROP INDEX `panels_in_hand`;--> statement-breakpoint
ALTER TABLE `panels` ADD `away` text;--> statement-breakpoint
ALTER TABLE `panels` ADD `away_at` integer;--> statement-breakpoint
CREATE INDEX `panels_away` ON `panels` (`away`,`away_at`) WHERE "panels"."away" is not null;--> statement-breakpoint
CREATE INDEX `panels_in_hand` ON `panels` (`id`) WHERE "panels"."delivered_at" is null and "panels"."away" is null;--> statement-breakpoint
ALTER TABLE `glasses` ADD `away` text;--> statement-breakpoint
ALTER TABLE `glasses` ADD `away_at` integer;--> statement-breakpoint
ALTER TABLE `people` ADD `away` text;--> statement-breakpoint
ALTER TABLE `people` ADD `away_at` integer;--> statement-breakpoint
CREATE INDEX `log_off_the_rack` ON `log` (`seq`) WHERE kind in ('withdraw-stock', 'write-off');