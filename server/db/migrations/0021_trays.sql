CREATE TABLE "tray" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"number" integer NOT NULL,
	"container_id" text NOT NULL,
	"rows" integer NOT NULL,
	"columns" integer NOT NULL,
	"turned" boolean NOT NULL,
	"corner" text NOT NULL,
	"place_id" text,
	"cut" jsonb,
	"batch_id" uuid,
	"recipe_id" text,
	"runs" jsonb NOT NULL,
	"cells" jsonb NOT NULL,
	"emptied_on" date,
	CONSTRAINT "tray_household_id_id_pk" PRIMARY KEY("household_id","id"),
	CONSTRAINT "tray_number" UNIQUE("household_id","number"),
	CONSTRAINT "tray_cells" CHECK (jsonb_array_length("tray"."cells") = "tray"."rows" * "tray"."columns")
);
--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "cells" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "tray" ADD CONSTRAINT "tray_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tray" ADD CONSTRAINT "tray_household_id_batch_id_batch_household_id_id_fk" FOREIGN KEY ("household_id","batch_id") REFERENCES "public"."batch"("household_id","id") ON DELETE no action ON UPDATE no action;