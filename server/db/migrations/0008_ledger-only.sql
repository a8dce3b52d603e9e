DROP TABLE "mark" CASCADE;--> statement-breakpoint
DROP TABLE "use" CASCADE;