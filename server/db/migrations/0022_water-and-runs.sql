CREATE TABLE "run" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"kind" text NOT NULL,
	"about" jsonb NOT NULL,
	"on_day" date NOT NULL,
	"hands" integer NOT NULL,
	"by" text NOT NULL,
	"status" text NOT NULL,
	"marks" jsonb NOT NULL,
	CONSTRAINT "run_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "water" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "really" jsonb;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "run_status" ON "run" USING btree ("household_id","status");