-- The household whose rows a transaction sees: set by the door (server/db/door.ts) with SET LOCAL; none where it is not set.
CREATE FUNCTION own_household() RETURNS uuid LANGUAGE sql STABLE PARALLEL SAFE AS $$
  select nullif(current_setting('blastomix.household', true), '')::uuid
$$;--> statement-breakpoint
ALTER TABLE "act" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "batch" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "container" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "crop" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "device_key" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "device" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "entry" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "feeding" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "feed" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "household" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "material" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "packet" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "photo_file" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "photo" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "programme" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "reading" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "recipe" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "revision" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "run" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "sowing" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "stock" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "tool" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "tray" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "trial" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "weather_day" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
DROP INDEX "entry_number";--> statement-breakpoint
ALTER TABLE "act" ALTER COLUMN "answer" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "entry" ALTER COLUMN "number" SET DATA TYPE bigint;--> statement-breakpoint
ALTER TABLE "entry" ALTER COLUMN "number" DROP IDENTITY;--> statement-breakpoint
-- Numbers counted through all households; from now on each household counts its own, in the same order.
UPDATE "entry" SET "number" = own."number" FROM (
  SELECT "household_id", "id", row_number() OVER (PARTITION BY "household_id" ORDER BY "number") AS "number" FROM "entry"
) AS own WHERE "entry"."household_id" = own."household_id" AND "entry"."id" = own."id";--> statement-breakpoint
ALTER TABLE "act" ADD COLUMN "by" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "act" ADD COLUMN "commands" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "act" ADD COLUMN "wrote" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "act" ADD COLUMN "undoes" uuid;--> statement-breakpoint
CREATE INDEX "act_latest" ON "act" USING btree ("household_id","at" DESC NULLS FIRST);--> statement-breakpoint
ALTER TABLE "entry" ADD CONSTRAINT "entry_number" UNIQUE("household_id","number");--> statement-breakpoint
CREATE POLICY "own_household" ON "act" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "batch" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "container" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "crop" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "device_key" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "device" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "entry" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "feeding" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "feed" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "household" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "material" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "packet" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "photo_file" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "photo" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "programme" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "reading" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "recipe" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "revision" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "run" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "sowing" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "stock" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "tool" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "tray" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "trial" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
CREATE POLICY "own_household" ON "weather_day" AS PERMISSIVE FOR ALL TO public USING (household_id = own_household()) WITH CHECK (household_id = own_household());--> statement-breakpoint
-- Also for the one who owns the tables; who is to see every household has BYPASSRLS (scripts/roles.mjs).
ALTER TABLE "act" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "batch" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "container" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "crop" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "device_key" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "device" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "entry" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "feeding" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "feed" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "household" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "material" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "packet" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "photo_file" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "photo" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "programme" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "reading" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "recipe" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "revision" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "run" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "sowing" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "stock" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "tool" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "tray" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "trial" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "weather_day" FORCE ROW LEVEL SECURITY;
