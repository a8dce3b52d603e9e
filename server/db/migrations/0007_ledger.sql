CREATE TABLE "entry" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"voided_at" timestamp with time zone,
	"number" integer GENERATED ALWAYS AS IDENTITY (sequence name "entry_number_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"kind" text NOT NULL,
	"on" date NOT NULL,
	"at" text,
	"by" text NOT NULL,
	"about" jsonb NOT NULL,
	"to" text NOT NULL,
	"note" text NOT NULL,
	"times" double precision NOT NULL,
	"even_if_short" boolean NOT NULL,
	"snoozed_until" date,
	"act" uuid,
	"moves" jsonb NOT NULL,
	"facts" jsonb NOT NULL,
	CONSTRAINT "entry_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "container" ADD COLUMN "based_on" text;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "based_on" text;--> statement-breakpoint
ALTER TABLE "entry" ADD CONSTRAINT "entry_household_id_household_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("household_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "entry_since" ON "entry" USING btree ("household_id","created_at");--> statement-breakpoint
CREATE INDEX "entry_about" ON "entry" USING gin ("about" jsonb_path_ops);--> statement-breakpoint
CREATE INDEX "entry_over" ON "entry" USING btree ("household_id") WHERE kind in ('out', 'give up') and snoozed_until is null and voided_at is null;--> statement-breakpoint
CREATE FUNCTION pg_temp.moves_of_use(drawn jsonb) RETURNS jsonb LANGUAGE sql AS $$
  SELECT coalesce(jsonb_agg(jsonb_build_object('of', 'stocks', 'id', d->'stockId', 'name', d->'name', 'by', -(d->>'packs')::float8, 'amount', -(d->>'amount')::float8, 'unit', d->'unit')), '[]') FROM jsonb_array_elements(drawn) d
$$;--> statement-breakpoint
CREATE FUNCTION pg_temp.moves_of_mark(household uuid, seeds jsonb) RETURNS jsonb LANGUAGE sql AS $$
  SELECT coalesce(jsonb_agg(jsonb_build_object('of', 'packets', 'id', s->'packetId', 'name', coalesce(p.name, 'packet'), 'by', -(s->>'seeds')::float8, 'amount', -(s->>'seeds')::float8, 'unit', 'seeds')), '[]')
  FROM jsonb_array_elements(seeds) s LEFT JOIN packet p ON p.household_id = household AND p.id::text = s->>'packetId'
$$;--> statement-breakpoint
CREATE FUNCTION pg_temp.about_of_use(batch text, feeding text) RETURNS jsonb LANGUAGE sql AS $$
  SELECT jsonb_build_array(CASE WHEN batch IS NOT NULL THEN jsonb_build_object('what', 'batches', 'id', batch, 'rung', null) ELSE jsonb_build_object('what', 'feedings', 'id', feeding, 'rung', null) END)
$$;--> statement-breakpoint
CREATE FUNCTION pg_temp.about_of_mark(targets jsonb) RETURNS jsonb LANGUAGE sql AS $$
  SELECT coalesce(jsonb_agg(jsonb_build_object('what', 'sowings', 'id', t->'sowingId', 'rung', t->'rung')), '[]') FROM jsonb_array_elements(targets) t
$$;--> statement-breakpoint
INSERT INTO "entry" ("household_id", "id", "name", "version", "created_at", "updated_at", "voided_at", "kind", "on", "at", "by", "about", "to", "note", "times", "even_if_short", "snoozed_until", "act", "moves", "facts")
SELECT * FROM (
  SELECT u.household_id, u.id, u.name, u.version, u.created_at, u.updated_at, u.deleted_at, u.kind, u.created_at::date AS "on", NULL::text AS "at", u.by, pg_temp.about_of_use(u.batch_id::text, u.feeding_id::text) AS about, u."to", u.note, u.times, u.even_if_short, NULL::date AS snoozed_until, NULL::uuid AS act, pg_temp.moves_of_use(u.drawn) AS moves, u.facts FROM "use" u
  UNION ALL
  SELECT m.household_id, m.id, m.name, m.version, m.created_at, m.updated_at, m.deleted_at, m.what, m."on", NULL, '', pg_temp.about_of_mark(m.of), '', '', 1, false, m.snoozed_until, NULL, pg_temp.moves_of_mark(m.household_id, m.seeds), '[]' FROM "mark" m
) old ORDER BY old.created_at, old.id;--> statement-breakpoint
INSERT INTO "entry" ("household_id", "id", "name", "created_at", "kind", "on", "by", "about", "to", "note", "times", "even_if_short", "moves", "facts")
SELECT l.household_id, gen_random_uuid(), left('Counted: ' || l.name, 120), l.created_at, 'counted', l.created_at::date, '', jsonb_build_array(jsonb_build_object('what', l.of, 'id', l.id, 'rung', null)), '', 'As it stood when the ledger was begun.', 1, false,
  jsonb_build_array(jsonb_build_object('of', l.of, 'id', l.id, 'name', l.name, 'by', l.level - l.moved, 'amount', l.level - l.moved, 'unit', l.unit)), '[]'
FROM (
  SELECT s.household_id, s.id, s.name, s.created_at, 'stocks' AS of, s.packs AS level, 'packs' AS unit FROM "stock" s
  UNION ALL
  SELECT p.household_id, p.id, p.name, p.created_at, 'packets', coalesce(p.seeds, 0), 'seeds' FROM "packet" p
) AS base(household_id, id, name, created_at, of, level, unit)
CROSS JOIN LATERAL (
  SELECT base.*, coalesce((SELECT sum((m->>'by')::float8) FROM "entry" e, jsonb_array_elements(e.moves) m WHERE e.household_id = base.household_id AND e.voided_at IS NULL AND m->>'of' = base.of AND m->>'id' = base.id::text), 0) AS moved
) l
WHERE l.level <> l.moved;--> statement-breakpoint
UPDATE "revision" SET "collection" = 'entries', "body" = jsonb_build_object('name', body->'name', 'kind', body->'kind', 'on', to_jsonb(written_at::date), 'at', null, 'by', body->'by', 'about', pg_temp.about_of_use(body->>'batchId', body->>'feedingId'), 'to', body->'to', 'note', body->'note', 'times', coalesce(body->'times', '1'), 'evenIfShort', body->'evenIfShort', 'snoozedUntil', null, 'act', null, 'moves', pg_temp.moves_of_use(body->'drawn'), 'facts', body->'facts') WHERE "collection" = 'uses';--> statement-breakpoint
UPDATE "revision" SET "collection" = 'entries', "body" = jsonb_build_object('name', body->'name', 'kind', body->'what', 'on', body->'on', 'at', null, 'by', '', 'about', pg_temp.about_of_mark(body->'of'), 'to', '', 'note', '', 'times', 1, 'evenIfShort', false, 'snoozedUntil', body->'snoozedUntil', 'act', null, 'moves', pg_temp.moves_of_mark(household_id, coalesce(body->'seeds', '[]')), 'facts', '[]'::jsonb) WHERE "collection" = 'marks';
