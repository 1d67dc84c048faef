CREATE INDEX `people_by_name` ON `people` (lower("name"));--> statement-breakpoint
CREATE INDEX `people_by_initial` ON `people` (lower("initial"));