ALTER TABLE "sowing" ADD COLUMN "place_id" text;--> statement-breakpoint
-- One shelf under lamps, as warm as the mix could be kept, becomes the first place of each household.
UPDATE "household" SET "season" = ("season" - 'shelfFlats' - 'lampM2' - 'lamp' - 'mixC') || jsonb_build_object(
	'places', jsonb_build_array(jsonb_build_object(
		'id', 'shelf',
		'name', 'Shelf',
		'kind', 'shelf',
		'flats', "season" -> 'shelfFlats',
		'dayC', 20,
		'nightC', 18,
		'heatC', "season" -> 'mixC',
		'light', CASE WHEN jsonb_typeof("season" -> 'lamp') = 'object' THEN jsonb_build_object(
			'kindId', 'measured', 'count', 1, 'heightCm', NULL, 'measured', "season" -> 'lamp') ELSE 'null'::jsonb END,
		'cover', 'none'
	))
)
WHERE jsonb_typeof("season") = 'object' AND NOT "season" ? 'places';
