CREATE TABLE "programme" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"feed_id" text NOT NULL,
	"appetite" text NOT NULL,
	"school" text NOT NULL,
	"plants" integer NOT NULL,
	"batch_id" uuid,
	"start_on" date,
	"rungs" jsonb NOT NULL,
	CONSTRAINT "programme_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "ca_percent" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "mg_percent" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "s_percent" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "n_forms" jsonb;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "ec_slope_ms_per_cm" double precision;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "use" text DEFAULT 'dissolved' NOT NULL;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "strength_guessed" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "water" jsonb;--> statement-breakpoint
ALTER TABLE "programme" ADD CONSTRAINT "programme_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "programme" ADD CONSTRAINT "programme_household_id_batch_id_batch_household_id_id_fk" FOREIGN KEY ("household_id","batch_id") REFERENCES "public"."batch"("household_id","id") ON DELETE no action ON UPDATE no action;