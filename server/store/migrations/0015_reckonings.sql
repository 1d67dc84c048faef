CREATE TABLE `reckonings` (
	`drawing_id` text PRIMARY KEY NOT NULL,
	`wish` text NOT NULL,
	`wanted` text NOT NULL,
	FOREIGN KEY (`drawing_id`) REFERENCES `drawings`(`id`) ON UPDATE no action ON DELETE cascade
);
