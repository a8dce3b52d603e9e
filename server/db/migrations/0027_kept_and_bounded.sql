CREATE TABLE "example" (
	"household_id" uuid PRIMARY KEY NOT NULL,
	"made_from" text NOT NULL,
	"opened_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "example" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "unchecked_household" (
	"household_id" uuid PRIMARY KEY NOT NULL
);
--> statement-breakpoint
ALTER TABLE "unchecked_household" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "device_key" DROP CONSTRAINT "device_key_household_id_device_id_pk";--> statement-breakpoint
ALTER TABLE "device_key" ADD CONSTRAINT "device_key_household_id_digest_pk" PRIMARY KEY("household_id","digest");--> statement-breakpoint
ALTER TABLE "device_key" ADD COLUMN "replaced_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "example" ADD CONSTRAINT "example_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "unchecked_household" ADD CONSTRAINT "unchecked_household_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "device_key_that_counts" ON "device_key" USING btree ("household_id","device_id") WHERE replaced_at is null;--> statement-breakpoint
CREATE POLICY "own_household" ON "example" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "unchecked_household" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
ALTER TABLE "example" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "unchecked_household" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- Whoever was here before is looked through once.
INSERT INTO "unchecked_household" SELECT "household_id" FROM "household";
