DROP INDEX "mark_of";--> statement-breakpoint
CREATE INDEX "mark_of" ON "mark" USING gin ("of" jsonb_path_ops) WITH (fastupdate=false);