CREATE TABLE "revision" (
	"household_id" uuid NOT NULL,
	"collection" text NOT NULL,
	"id" uuid NOT NULL,
	"version" integer NOT NULL,
	"body" jsonb NOT NULL,
	"written_at" timestamp with time zone NOT NULL,
	CONSTRAINT "revision_household_id_collection_id_version_pk" PRIMARY KEY("household_id","collection","id","version")
);
--> statement-breakpoint
CREATE TABLE "stock" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"kind" text NOT NULL,
	"goods_id" text NOT NULL,
	"size" jsonb NOT NULL,
	"price" double precision,
	"packs" double precision NOT NULL,
	CONSTRAINT "stock_household_id_id_pk" PRIMARY KEY("household_id","id"),
	CONSTRAINT "stock_packs" CHECK ("stock"."packs" >= 0),
	CONSTRAINT "stock_price" CHECK ("stock"."price" >= 0)
);
--> statement-breakpoint
CREATE TABLE "use" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"kind" text NOT NULL,
	"batch_id" uuid,
	"feeding_id" uuid,
	"by" text NOT NULL,
	"to" text NOT NULL,
	"note" text NOT NULL,
	"times" double precision DEFAULT 1 NOT NULL,
	"even_if_short" boolean NOT NULL,
	"drawn" jsonb NOT NULL,
	"facts" jsonb NOT NULL,
	CONSTRAINT "use_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "lower_parts" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "lower_recipe_id" text;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "on_date" date;--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock" ADD CONSTRAINT "stock_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "use" ADD CONSTRAINT "use_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "use" ADD CONSTRAINT "use_household_id_batch_id_batch_household_id_id_fk" FOREIGN KEY ("household_id","batch_id") REFERENCES "public"."batch"("household_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "use" ADD CONSTRAINT "use_household_id_feeding_id_feeding_household_id_id_fk" FOREIGN KEY ("household_id","feeding_id") REFERENCES "public"."feeding"("household_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "use_batch_made_once" ON "use" USING btree ("household_id","batch_id") WHERE kind = 'batch made' and deleted_at is null;