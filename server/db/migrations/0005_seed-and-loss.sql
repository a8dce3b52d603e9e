DROP INDEX "mark_out";--> statement-breakpoint
ALTER TABLE "mark" ADD COLUMN "seeds" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
CREATE INDEX "mark_over" ON "mark" USING btree ("household_id") WHERE what in ('out', 'give up') and snoozed_until is null and deleted_at is null;