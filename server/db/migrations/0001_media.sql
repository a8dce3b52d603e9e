CREATE TABLE "material" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"based_on" text,
	"figures" jsonb NOT NULL,
	"pack_l" double precision NOT NULL,
	"sustainability" text NOT NULL,
	CONSTRAINT "material_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "extras" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "preparations" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "feel" text DEFAULT 'wrung-out sponge' NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "tub_l" double precision;--> statement-breakpoint
ALTER TABLE "recipe" ADD COLUMN "extras" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "recipe" ADD COLUMN "preparations" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "material" ADD CONSTRAINT "material_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;