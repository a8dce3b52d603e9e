CREATE TABLE "crop" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"based_on" text,
	"family" text NOT NULL,
	"figures" jsonb NOT NULL,
	CONSTRAINT "crop_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "mark" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"what" text NOT NULL,
	"of" jsonb NOT NULL,
	"on" date NOT NULL,
	"snoozed_until" date,
	CONSTRAINT "mark_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "packet" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"crop_id" text NOT NULL,
	"supplier" text NOT NULL,
	"year" integer NOT NULL,
	"seeds" integer,
	"germination" double precision,
	CONSTRAINT "packet_household_id_id_pk" PRIMARY KEY("household_id","id"),
	CONSTRAINT "packet_seeds" CHECK ("packet"."seeds" >= 0),
	CONSTRAINT "packet_germination" CHECK ("packet"."germination" > 0 and "packet"."germination" <= 1)
);
--> statement-breakpoint
CREATE TABLE "sowing" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"crop_id" text NOT NULL,
	"packet_id" uuid,
	"plants" integer NOT NULL,
	"season" text NOT NULL,
	"out_on" date,
	"sow_on" date,
	"germination" double precision,
	"certainty" double precision NOT NULL,
	"seeds_per_cell" integer,
	"ladder_id" text,
	"rungs" jsonb,
	CONSTRAINT "sowing_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "season" jsonb;--> statement-breakpoint
ALTER TABLE "crop" ADD CONSTRAINT "crop_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mark" ADD CONSTRAINT "mark_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "packet" ADD CONSTRAINT "packet_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sowing" ADD CONSTRAINT "sowing_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sowing" ADD CONSTRAINT "sowing_household_id_packet_id_packet_household_id_id_fk" FOREIGN KEY ("household_id","packet_id") REFERENCES "public"."packet"("household_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "mark_of" ON "mark" USING gin ("of" jsonb_path_ops);--> statement-breakpoint
CREATE INDEX "mark_out" ON "mark" USING btree ("household_id") WHERE what = 'out' and snoozed_until is null and deleted_at is null;