CREATE TABLE "batch" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"number" integer NOT NULL,
	"recipe_id" text,
	"parts" jsonb NOT NULL,
	"fills" jsonb NOT NULL,
	"allowances" jsonb NOT NULL,
	"scoop" jsonb NOT NULL,
	"pack_ids" jsonb NOT NULL,
	CONSTRAINT "batch_household_id_id_pk" PRIMARY KEY("household_id","id"),
	CONSTRAINT "batch_number" UNIQUE("household_id","number")
);
--> statement-breakpoint
CREATE TABLE "container" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"kind" text NOT NULL,
	"cells" integer NOT NULL,
	"shape" jsonb NOT NULL,
	"measured_volume_ml" double precision,
	CONSTRAINT "container_household_id_id_pk" PRIMARY KEY("household_id","id"),
	CONSTRAINT "container_cells" CHECK ("container"."cells" > 0),
	CONSTRAINT "container_measured_volume" CHECK ("container"."measured_volume_ml" > 0)
);
--> statement-breakpoint
CREATE TABLE "feeding" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"feed_id" text NOT NULL,
	"stage_id" text NOT NULL,
	"target_n_mg_per_l" double precision NOT NULL,
	"vessel" jsonb NOT NULL,
	"batch_id" uuid,
	"tool_id" text,
	CONSTRAINT "feeding_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "feed" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"form" text NOT NULL,
	"n_percent" double precision NOT NULL,
	"p2o5_percent" double precision NOT NULL,
	"k2o_percent" double precision NOT NULL,
	"density_g_per_ml" double precision,
	"label_rate_per_l" double precision,
	"organic" boolean NOT NULL,
	CONSTRAINT "feed_household_id_id_pk" PRIMARY KEY("household_id","id"),
	CONSTRAINT "feed_label" CHECK ("feed"."n_percent" >= 0 and "feed"."p2o5_percent" >= 0 and "feed"."k2o_percent" >= 0 and "feed"."n_percent" + "feed"."p2o5_percent" + "feed"."k2o_percent" <= 100)
);
--> statement-breakpoint
CREATE TABLE "household" (
	"household_id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"place" text NOT NULL,
	"kitchen" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "recipe" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"reasoning" text NOT NULL,
	"parts" jsonb NOT NULL,
	CONSTRAINT "recipe_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "tool" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"kind" text NOT NULL,
	"capacity_ml" double precision,
	CONSTRAINT "tool_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "container" ADD CONSTRAINT "container_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "feeding" ADD CONSTRAINT "feeding_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "feeding" ADD CONSTRAINT "feeding_household_id_batch_id_batch_household_id_id_fk" FOREIGN KEY ("household_id","batch_id") REFERENCES "public"."batch"("household_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "feed" ADD CONSTRAINT "feed_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recipe" ADD CONSTRAINT "recipe_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tool" ADD CONSTRAINT "tool_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;