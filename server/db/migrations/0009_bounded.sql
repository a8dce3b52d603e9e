CREATE TABLE "act" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"asked" text NOT NULL,
	"answer" json NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "act_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
DROP INDEX "entry_over";--> statement-breakpoint
DROP INDEX "entry_about";--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "time_zone" text;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "changes" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "sowing" ADD COLUMN "over_on" date;--> statement-breakpoint
ALTER TABLE "act" ADD CONSTRAINT "act_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "act_at" ON "act" USING btree ("at");--> statement-breakpoint
CREATE INDEX "entry_number" ON "entry" USING btree ("household_id","number");--> statement-breakpoint
CREATE INDEX "entry_voided" ON "entry" USING btree ("household_id","voided_at") WHERE voided_at is not null;--> statement-breakpoint
CREATE INDEX "sowing_open" ON "sowing" USING btree ("household_id","created_at") WHERE over_on is null and deleted_at is null;--> statement-breakpoint
CREATE INDEX "entry_about" ON "entry" USING gin ("about" jsonb_path_ops) WITH (fastupdate=false);
--> statement-breakpoint
UPDATE "sowing" SET "over_on" = ended."on" FROM (
	SELECT e."household_id", target ->> 'id' AS "id", min(e."on") AS "on"
	FROM "entry" e, jsonb_array_elements(e."about") AS target
	WHERE e."kind" IN ('out', 'give up') AND e."snoozed_until" IS NULL AND e."voided_at" IS NULL AND target ->> 'what' = 'sowings'
	GROUP BY 1, 2
) AS ended
WHERE "sowing"."household_id" = ended."household_id" AND "sowing"."id"::text = ended."id";
