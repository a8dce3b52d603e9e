<script setup lang="ts">
import { present } from '#core/present'
import { roomElsewhere } from '#core/season/demand/demand'
import { addDays } from '#core/calendar/day'
import { standingOf } from '#core/season/fitting/standing'
import { counted } from '#core/text/plurals'
import { printNumber } from '#core/units/format'

/** Where a place overflows, and the smallest set of shifts that fits, searched in a worker. */
const season = useSeason()
const { printDay } = useDates()
const { answer, done, ask } = useWorkerCall('smallestShifts')

const standings = () =>
  season.kept.map((row) =>
    standingOf(
      row,
      present(season.frame),
      present(season.extent).from,
      season.today,
      season.isSown(row.id),
      present(over.value).place.id,
    ),
  )
const over = computed(() => season.overflowing[0])
/** Another place that has room on those days. */
const room = computed(
  () => over.value && roomElsewhere(present(season.load), over.value, present(season.frame).places),
)
// What was found answers the season as it stood; the hand at work does not count.
watch(
  () => [season.kept, over.value?.place],
  () => {
    if (!season.moving) answer.value = null
  },
)
const search = () => ask({ standings: standings(), shelfFlats: present(present(over.value).place.flats) })

const shifts = computed(() =>
  (answer.value?.shifts ?? []).map(({ id, days }) => {
    const row = present(season.row(id))
    return { id, days, name: row.name, sowOn: addDays(row.planned.sowOn, days) }
  }),
)
const far = (days: number) =>
  `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days < 0 ? 'earlier' : 'later'}`
async function shift() {
  const changes = shifts.value.flatMap(({ id, days }) => {
    const stored = season.sowing(id)
    const row = season.row(id)
    return stored && row ? [{ id, after: season.moved(stored.body, row, days) }] : []
  })
  await season.keepAll('sowings moved to fit', changes, 'Moved: everything fits.')
}
</script>

<template>
  <section v-if="over" class="over stack-s" aria-labelledby="over-title">
    <h2 id="over-title">
      {{ over.place.name }}: full {{ printDay(over.from) }} – {{ printDay(addDays(over.until, -1)) }}
    </h2>
    <p>
      {{ counted(Math.ceil(over.most - 1e-6), 'flat') }} needed, room for
      {{ printNumber(present(over.place.flats)) }}.<template v-if="season.overflowing.length > 1">
        This happens {{ counted(season.overflowing.length - 1, 'more time') }}.</template
      >
    </p>
    <p v-if="room">
      {{ room.place.name }} has room for {{ printNumber(Math.floor(room.flats)) }} of them: edit a stage to
      keep a share there.
    </p>
    <p v-if="done !== null" role="status">Searching …</p>
    <template v-else-if="answer">
      <template v-if="shifts.length">
        <p role="status"><strong>Everything fits if you move:</strong></p>
        <ul>
          <li v-for="one in shifts" :key="one.id">
            {{ one.name }}: {{ far(one.days) }}, sown {{ printDay(one.sowOn) }}
          </li>
        </ul>
        <p class="soft small">
          {{
            answer.whole
              ? 'This is the smallest change.'
              : 'There may be a smaller change: the search was stopped early.'
          }}
        </p>
        <Button class="main" @click="shift">Move them</Button>
      </template>
      <p v-else role="status">
        {{
          answer.whole
            ? 'Moving sowings does not help. Try fewer plants, smaller pots, or another place.'
            : 'Nothing found. Try fewer plants, smaller pots, or another place.'
        }}
      </p>
    </template>
    <Button v-else @click="search">Find what to move</Button>
  </section>
</template>

<style scoped>
.over {
  justify-items: start;
  padding: 0.8rem 1rem;
  border-left: 4px solid var(--beet);
  background: var(--beet-wash);
}

.over h2 {
  color: var(--beet);
}
</style>
