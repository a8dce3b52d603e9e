CREATE TABLE "photo_file" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"digest" text NOT NULL,
	"taken_on" date,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"image" "bytea" NOT NULL,
	"thumbnail" "bytea" NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "photo_file_household_id_id_pk" PRIMARY KEY("household_id","id"),
	CONSTRAINT "photo_file_digest" UNIQUE("household_id","digest")
);
--> statement-breakpoint
CREATE TABLE "photo" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"file_id" uuid NOT NULL,
	"on" date NOT NULL,
	"about" jsonb NOT NULL,
	"place_id" text,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "photo_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "trial" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"question" text NOT NULL,
	"on" date NOT NULL,
	"seed" integer NOT NULL,
	"blind" boolean NOT NULL,
	"arms" jsonb NOT NULL,
	"note" text NOT NULL,
	"ended_on" date,
	CONSTRAINT "trial_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "place_id" text;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "signs" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "grams" double precision;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "remind_on" date;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "climate" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "measured" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "carried" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "learning" jsonb;--> statement-breakpoint
ALTER TABLE "photo_file" ADD CONSTRAINT "photo_file_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trial" ADD CONSTRAINT "trial_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photo_day" ON "photo" USING btree ("household_id","on" DESC NULLS FIRST) WHERE deleted_at is null;--> statement-breakpoint
CREATE INDEX "photo_about" ON "photo" USING gin ("about" jsonb_path_ops) WITH (fastupdate=false);--> statement-breakpoint
CREATE INDEX "entry_day" ON "entry" USING btree ("household_id","on" DESC NULLS FIRST,"number" DESC NULLS FIRST) WHERE voided_at is null;--> statement-breakpoint
CREATE INDEX "entry_kind" ON "entry" USING btree ("household_id","kind","on" DESC NULLS FIRST,"number" DESC NULLS FIRST) WHERE voided_at is null;--> statement-breakpoint
CREATE INDEX "entry_place" ON "entry" USING btree ("household_id","place_id","on" DESC NULLS FIRST,"number" DESC NULLS FIRST) WHERE voided_at is null and place_id is not null;--> statement-breakpoint
CREATE INDEX "entry_remind" ON "entry" USING btree ("household_id","remind_on") WHERE voided_at is null and remind_on is not null;--> statement-breakpoint
CREATE INDEX "entry_measured" ON "entry" USING btree ("household_id","number") WHERE voided_at is null and measured <> '[]'::jsonb;--> statement-breakpoint
CREATE INDEX "entry_words" ON "entry" USING gin ((to_tsvector('simple', kind || ' ' || name || ' ' || note || ' ' || "to" || ' ' || "by") || to_tsvector('english', name || ' ' || note))) WITH (fastupdate=false);