ALTER TABLE "packet" ADD COLUMN "up_days" jsonb;--> statement-breakpoint
ALTER TABLE "packet" ADD COLUMN "depth_mm" double precision;