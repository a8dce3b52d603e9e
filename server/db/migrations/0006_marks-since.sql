DROP INDEX "mark_of";--> statement-breakpoint
CREATE INDEX "mark_since" ON "mark" USING btree ("household_id","created_at");