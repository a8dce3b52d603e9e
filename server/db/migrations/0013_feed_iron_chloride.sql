ALTER TABLE "feed" ADD COLUMN "fe_percent" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "cl_percent" double precision DEFAULT 0 NOT NULL;