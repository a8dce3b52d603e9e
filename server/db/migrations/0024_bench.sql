CREATE TABLE "device_key" (
	"household_id" uuid NOT NULL,
	"device_id" uuid NOT NULL,
	"digest" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "device_key_household_id_device_id_pk" PRIMARY KEY("household_id","device_id")
);
--> statement-breakpoint
CREATE TABLE "device" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"kind" text NOT NULL,
	"place_id" text,
	"tray_id" uuid,
	"simulated" boolean NOT NULL,
	"fault" text,
	"calibrated_at" text,
	CONSTRAINT "device_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "reading" (
	"household_id" uuid NOT NULL,
	"device_id" uuid NOT NULL,
	"quantity" text NOT NULL,
	"name" text DEFAULT '' NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"value" double precision NOT NULL,
	"count" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "reading_household_id_device_id_quantity_name_at_pk" PRIMARY KEY("household_id","device_id","quantity","name","at")
);
--> statement-breakpoint
CREATE TABLE "weather_day" (
	"household_id" uuid NOT NULL,
	"on" date NOT NULL,
	"source" text NOT NULL,
	"low_c" double precision NOT NULL,
	"high_c" double precision NOT NULL,
	"rain_mm" double precision,
	"wind_m_per_s" double precision,
	"sun_hours" double precision,
	"made_on" date NOT NULL,
	"simulated" boolean DEFAULT false NOT NULL,
	CONSTRAINT "weather_day_household_id_on_source_pk" PRIMARY KEY("household_id","on","source")
);
--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "clock" jsonb;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "away" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "people" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "formats" jsonb;--> statement-breakpoint
ALTER TABLE "device_key" ADD CONSTRAINT "device_key_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "device" ADD CONSTRAINT "device_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weather_day" ADD CONSTRAINT "weather_day_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "reading_raw" ON "reading" USING btree ("at") WHERE date_trunc('second', "at" at time zone 'UTC') = "at" at time zone 'UTC';