-- Where a level on the shelf or in a packet is not the sum of what the standing entries moved: one row each, none when
-- the ledger agrees. A packet nobody counted has no level.
with moved as (
  select e.household_id, m ->> 'of' as of, m ->> 'id' as id, sum((m ->> 'by')::float8) as by
  from entry e, jsonb_array_elements(e.moves) m
  where e.voided_at is null
  group by 1, 2, 3
), level as (
  select household_id, 'stocks' as of, id::text, name, packs as level from stock
  union all
  select household_id, 'packets', id::text, name, seeds from packet where seeds is not null
)
select level.household_id, level.of, level.id, level.name, level.level, coalesce(moved.by, 0) as moved
from level left join moved using (household_id, of, id)
where abs(level.level - coalesce(moved.by, 0)) > 1e-4;
