-- Standard names: schedule, stage, method, group, guided job, units, subjects. shared/archive/first-version.ts does the same to archives.
ALTER TABLE "run" RENAME TO "guided_job";--> statement-breakpoint
ALTER TABLE "guided_job" RENAME CONSTRAINT "run_household_id_id_pk" TO "guided_job_household_id_id_pk";--> statement-breakpoint
ALTER TABLE "guided_job" RENAME CONSTRAINT "run_household_id_household_household_id_fk" TO "guided_job_household_id_household_household_id_fk";--> statement-breakpoint
ALTER INDEX "run_status" RENAME TO "guided_job_status";--> statement-breakpoint
ALTER INDEX "entry_about" RENAME TO "entry_subjects";--> statement-breakpoint
ALTER INDEX "photo_about" RENAME TO "photo_subjects";--> statement-breakpoint
ALTER TABLE "household" RENAME COLUMN "kitchen" TO "units";--> statement-breakpoint
ALTER TABLE "feeding" RENAME COLUMN "stage_id" TO "growth_stage_id";--> statement-breakpoint
ALTER TABLE "programme" RENAME COLUMN "school" TO "method";--> statement-breakpoint
ALTER TABLE "programme" RENAME COLUMN "rungs" TO "stages";--> statement-breakpoint
ALTER TABLE "sowing" RENAME COLUMN "ladder_id" TO "schedule_id";--> statement-breakpoint
ALTER TABLE "sowing" RENAME COLUMN "rungs" TO "stages";--> statement-breakpoint
ALTER TABLE "tray" RENAME COLUMN "runs" TO "groups";--> statement-breakpoint
ALTER TABLE "guided_job" RENAME COLUMN "about" TO "subjects";--> statement-breakpoint
ALTER TABLE "photo" RENAME COLUMN "about" TO "subjects";--> statement-breakpoint
ALTER TABLE "entry" RENAME COLUMN "about" TO "subjects";--> statement-breakpoint
ALTER TABLE "entry" RENAME COLUMN "really" TO "actual";--> statement-breakpoint
CREATE FUNCTION pg_temp.renamed(doc jsonb, names jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT CASE jsonb_typeof(doc)
    WHEN 'object' THEN (SELECT coalesce(jsonb_object_agg(coalesce(names ->> key, key), pg_temp.renamed(value, names)), '{}') FROM jsonb_each(doc))
    WHEN 'array' THEN (SELECT coalesce(jsonb_agg(pg_temp.renamed(value, names) ORDER BY at), '[]') FROM jsonb_array_elements(doc) WITH ORDINALITY AS one(value, at))
    ELSE doc
  END
$$;--> statement-breakpoint
UPDATE "household" SET "season" = pg_temp.renamed("season", '{"lightSchool":"lightMethod","feedingSchool":"feedingMethod"}') WHERE "season" IS NOT NULL;--> statement-breakpoint
UPDATE "programme" SET "stages" = pg_temp.renamed("stages", '{"stageId":"growthStageId"}');--> statement-breakpoint
UPDATE "crop" SET "figures" = pg_temp.renamed("figures", '{"ladderId":"scheduleId"}');--> statement-breakpoint
UPDATE "sowing" SET "stages" = pg_temp.renamed("stages", '{"stage":"kind"}') WHERE "stages" IS NOT NULL;--> statement-breakpoint
UPDATE "batch" SET "sowings" = pg_temp.renamed("sowings", '{"rung":"stage"}') WHERE "sowings" <> '[]';--> statement-breakpoint
UPDATE "tray" SET "groups" = pg_temp.renamed("groups", '{"rung":"stage"}');--> statement-breakpoint
UPDATE "guided_job" SET "subjects" = pg_temp.renamed("subjects", '{"rung":"stage"}');--> statement-breakpoint
UPDATE "trial" SET "arms" = pg_temp.renamed("arms", '{"runs":"groups","run":"group"}');--> statement-breakpoint
UPDATE "trial" SET "question" = 'method' WHERE "question" = 'school';--> statement-breakpoint
UPDATE "entry" SET
  "subjects" = pg_temp.renamed("subjects", '{"rung":"stage"}'),
  "cells" = pg_temp.renamed("cells", '{"run":"group"}'),
  "kind" = CASE WHEN "kind" = 'rung' THEN 'stage' ELSE "kind" END;--> statement-breakpoint
UPDATE "revision" SET "collection" = 'guidedJobs' WHERE "collection" = 'runs';--> statement-breakpoint
UPDATE "revision" SET "body" = pg_temp.renamed("body", named."names") FROM (VALUES
  ('feedings', '{"stageId":"growthStageId"}'::jsonb),
  ('programmes', '{"school":"method","rungs":"stages","stageId":"growthStageId"}'),
  ('crops', '{"ladderId":"scheduleId"}'),
  ('sowings', '{"ladderId":"scheduleId","rungs":"stages","stage":"kind"}'),
  ('batches', '{"rung":"stage"}'),
  ('trays', '{"runs":"groups","rung":"stage"}'),
  ('guidedJobs', '{"about":"subjects","rung":"stage"}'),
  ('trials', '{"runs":"groups","run":"group"}'),
  ('photos', '{"about":"subjects"}'),
  ('entries', '{"about":"subjects","rung":"stage","run":"group","really":"actual"}')
) AS named("collection", "names") WHERE "revision"."collection" = named."collection";--> statement-breakpoint
UPDATE "revision" SET "body" = jsonb_set("body", '{kind}', '"stage"') WHERE "collection" = 'entries' AND "body" ->> 'kind' = 'rung';--> statement-breakpoint
UPDATE "revision" SET "body" = jsonb_set("body", '{question}', '"method"') WHERE "collection" = 'trials' AND "body" ->> 'question' = 'school';--> statement-breakpoint
-- What an act wrote is undone by these names; its answer is given as it stands today from now on.
UPDATE "act" SET "answer" = NULL, "wrote" = (
  SELECT coalesce(jsonb_agg(CASE WHEN one.value ->> 'collection' = 'runs' THEN jsonb_set(one.value, '{collection}', '"guidedJobs"') ELSE one.value END ORDER BY one.at), '[]')
  FROM jsonb_array_elements("wrote") WITH ORDINALITY AS one(value, at)
);
