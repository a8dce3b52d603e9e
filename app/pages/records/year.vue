<script setup lang="ts">
import { present } from '#core/present'
import { counted } from '#core/text/plurals'
import type { Bodies, Stored } from '#shared/records/collections'
import type { Sent } from '#shared/commands/commands'
import { nextYear } from '#core/language/line-said'
import { packsOf } from '#core/supplies/pack-said'
import { printNumber } from '#core/units/format'
import { cameWords, nextYears, yearReport, type PacketVerdict } from '#shared/derived/year'

definePageMeta({
  place: {
    title: 'Season review',
    what: 'the year on one page, and next year from it',
    words: 'season end annual year summary leftover next year plan again buy',
    parent: '/records',
    tab: 6,
  },
})
const context = useContext()
const household = useHousehold()
const season = useSeason()
const { attempt, perform, noteDone } = useCommands()
const { printDay } = useDates()
const { aboutVolume, mass } = useMeasures()
const { year, years, choose, records, problem } = useYear()

const report = computed(() => records.value && yearReport(records.value, context.whole, year.value))
const { money } = useMoney()
const VERDICTS: Record<PacketVerdict, string> = {
  keep: 'keep',
  'use up first': 'use up first',
  'do not buy again': 'do not buy again',
  'used up': 'used up',
  'not counted': 'count it next time',
}

// A note to oneself comes back next year, on the same day.
const thought = ref('')
async function think(body: Partial<Pick<Bodies['entries'], 'note' | 'on'>> & { name: string }) {
  const { name: title, ...more } = body
  const remindOn = nextYear(season.today)
  const command = {
    name: 'write down',
    title,
    kind: 'thought',
    on: season.today,
    subjects: [],
    remindOn,
    ...more,
  } satisfies Sent
  if (await attempt(title, [command], 'It comes back next year.')) thought.value = ''
}
const bringBack = ({ id, version, body }: Stored<Bodies['entries']>) =>
  attempt(body.name, [{ name: 'correct entry', id, version, remindOn: nextYear(body.on) }])

// Next season from this one.
const planning = ref(false)
const left = ref<string[]>([])
/** A wish without a day followed from the frosts of its year: a year on it has the day it had. */
function dated(id: string, after: Bodies['sowings']): Bodies['sowings'] {
  if (after.outOn || after.sowOn) return after
  const outOn = season.row(id)?.planned.outOn
  const sownOn = report.value?.facts.find(({ sowingId }) => sowingId === id)?.sownOn
  return {
    ...after,
    outOn: outOn ? nextYear(outOn) : null,
    sowOn: !outOn && sownOn ? nextYear(sownOn) : null,
  }
}
const again = computed(() =>
  (records.value?.sowings ?? []).map(({ id, body }) => ({
    id,
    after: dated(id, nextYears(body, year.value)),
  })),
)
function plan() {
  left.value = []
  planning.value = true
}
const chosen = computed(() => again.value.filter(({ id }) => !left.value.includes(id)))
const busy = ref(false)
const planProblem = ref('')
async function keepPlan() {
  busy.value = true
  planProblem.value = ''
  try {
    const many = counted(chosen.value.length, 'sowing')
    const sowings = chosen.value.map(({ after }) => ({ id: newId(), body: after }))
    const { act } = await perform(`${many} for ${year.value + 1}`, [{ name: 'plan', sowings }])
    planning.value = false
    noteDone(`${many} planned for ${year.value + 1}.`, act)
    await navigateTo('/plan/shopping')
  } catch (error) {
    planProblem.value = whyNot(error)
  } finally {
    busy.value = false
  }
}
/** Where no day was said it follows from the frosts, which are those of one year. */
const undated = computed(() => chosen.value.some(({ after }) => !after.outOn && !after.sowOn))
async function moveFrosts() {
  const { version, body } = present(household.everything).household
  if (!body.season) return
  const { lastFrost, firstFrost } = body.season
  const season = {
    ...body.season,
    lastFrost: lastFrost && nextYear(lastFrost),
    firstFrost: firstFrost && nextYear(firstFrost),
  }
  const command = { name: 'save household', version, body: { ...body, season } } as const
  await attempt('the frosts', [command], 'The frosts are those of next year.')
}
const frostYear = computed(() => Number((household.season?.lastFrost ?? season.today).slice(0, 4)))
const print = () => window.print()
</script>

<template>
  <div class="year">
    <PageTop :title="`Season review ${year}`">
      <a class="button" :href="`/api/households/${household.id}/papers/year?year=${year}`">PDF</a>
      <Button @click="print">Print</Button>
      <Button class="main" :disabled="!again.length" @click="plan">Next season from this one</Button>
    </PageTop>
    <YearChoice :year="year" :years="years" @choose="choose" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="!report" class="soft">Reading the year …</p>
    <template v-else>
      <ul class="sums" aria-label="The year in figures">
        <li>
          <b>{{ printNumber(report.plantsOut) }}</b> plants out or given away
        </li>
        <li>
          <b>{{ report.mixL ? aboutVolume(report.mixL) : '–' }}</b> of mix<template
            v-if="report.plantsOut && report.mixL"
            >, {{ aboutVolume(report.mixL / report.plantsOut) }} a plant</template
          >
        </li>
        <li>
          <b>{{ report.waterL ? aboutVolume(report.waterL) : '–' }}</b> of water that was measured<template
            v-if="report.feedL"
            >, {{ aboutVolume(report.feedL) }} of it feed</template
          >
        </li>
        <li v-if="report.money !== null">
          <b>{{ money(report.money) }}</b> of mix and feed<template v-if="report.plantsOut"
            >, {{ money(report.money / report.plantsOut) }} a plant</template
          >
        </li>
      </ul>

      <section aria-labelledby="crops-title">
        <h2 id="crops-title">By crop</h2>
        <p v-if="!report.crops.length" class="slip">Nothing was sown in {{ year }}.</p>
        <div v-else class="scroll scrolls" role="region" aria-label="By crop, the table" tabindex="0">
          <FigureTable :columns="['Crop', 'wanted', 'came up', 'first after', 'lost', 'out', 'picked']">
            <tr v-for="row in report.crops" :key="row.cropId">
              <th scope="row">{{ row.name }}</th>
              <td>{{ row.wanted || '–' }}</td>
              <td>{{ cameWords(row.came) }}</td>
              <td>{{ row.daysUp === null ? '–' : counted(Math.round(row.daysUp), 'day') }}</td>
              <td>{{ row.lost || '–' }}</td>
              <td
                :class="{
                  short: row.wanted > 0 && row.out + row.given > 0 && row.out + row.given < row.wanted,
                }"
              >
                {{ row.out + row.given || '–' }}
              </td>
              <td>{{ row.pickedG ? mass(row.pickedG) : row.picked ? `${row.picked} ×` : '–' }}</td>
            </tr>
          </FigureTable>
        </div>
      </section>

      <section v-if="report.mixes.length" aria-labelledby="mixes-title">
        <h2 id="mixes-title">By mix</h2>
        <div class="scroll scrolls" role="region" aria-label="By mix, the table" tabindex="0">
          <FigureTable :columns="['Mix', 'made', 'trays', 'came up in it', 'lost in it']">
            <tr v-for="row in report.mixes" :key="row.id">
              <th scope="row">{{ row.name }}</th>
              <td>{{ row.litres ? aboutVolume(row.litres) : '–' }}</td>
              <td>{{ row.trays || '–' }}</td>
              <td>{{ cameWords(row.came) }}</td>
              <td>{{ row.lost || '–' }}</td>
            </tr>
          </FigureTable>
        </div>
        <p class="soft small">
          Which was better is another question: <NuxtLink to="/records/trials">compare them</NuxtLink>, with
          what speaks against it.
        </p>
      </section>

      <section v-if="report.packets.length" aria-labelledby="seed-title">
        <h2 id="seed-title">Seed</h2>
        <ul class="packets">
          <li v-for="row in report.packets" :key="row.id">
            <b>{{ row.packet.name }} {{ row.packet.year }}</b>
            <span v-if="row.packet.supplier" class="soft">{{ row.packet.supplier }}</span>
            <span class="verdict strong" :class="row.verdict.replaceAll(' ', '-')">{{
              VERDICTS[row.verdict]
            }}</span>
            <span class="why"
              >{{ row.why
              }}<template v-if="row.packet.seeds !== null"
                >; {{ counted(row.packet.seeds, 'seed') }} left</template
              ></span
            >
          </li>
        </ul>
      </section>

      <section class="two">
        <div class="stack-s">
          <h2>What ran out</h2>
          <ul v-if="report.ranOut.length">
            <li v-for="one in report.ranOut" :key="one.name + one.on">
              {{ one.name }}, {{ printDay(one.on) }}
            </li>
          </ul>
          <p v-else class="soft">Nothing in Supplies.</p>
        </div>
        <div class="stack-s">
          <h2>What is left</h2>
          <ul v-if="report.left.length">
            <li v-for="one in report.left" :key="one.id">
              <b>{{ packsOf(one.packs, one.name) }}</b>:
              <span class="soft">{{ one.good }}</span>
            </li>
          </ul>
          <p v-else class="soft">Nothing in Supplies.</p>
        </div>
      </section>

      <section aria-labelledby="thoughts-title">
        <h2 id="thoughts-title">Notes to yourself</h2>
        <ul>
          <li v-for="entry in report.thoughts" :key="entry.id" class="thought">
            <span>{{ entry.body.name }}</span>
            <span class="soft small">{{ printDay(entry.body.on) }}</span>
            <span v-if="entry.body.remindOn" class="soft small"
              >comes back {{ printDay(entry.body.remindOn) }} {{ entry.body.remindOn.slice(0, 4) }}</span
            >
            <Button v-else text @click="bringBack(entry as Stored<Bodies['entries']>)"
              >Bring it back next year on that day</Button
            >
          </li>
        </ul>
        <form
          class="think no-print"
          @submit.prevent="thought.trim() && think({ name: thought.trim().slice(0, 120) })"
        >
          <TextField
            v-model="thought"
            label="What to do differently"
            hint="comes back on this day next year"
          />
          <Button type="submit" :disabled="!thought.trim()">Keep</Button>
        </form>
      </section>
    </template>

    <Dialog
      v-model:visible="planning"
      modal
      class="wide"
      :header="`${year + 1} from ${year}`"
      :draggable="false"
    >
      <form class="plan stack" @submit.prevent="keepPlan">
        <p>
          The same wishes a year on. Germination, losses, days and amounts go by what your bench has shown;
          what to buy is in Plan, Shopping list.
        </p>
        <CheckField
          v-for="one in again"
          :key="one.id"
          :model-value="!left.includes(one.id)"
          :label="`${one.after.name}: ${counted(one.after.plants, 'plant')}${one.after.outOn ? `, out ${printDay(one.after.outOn)}` : ''}`"
          @update:model-value="left = $event ? left.filter((id) => id !== one.id) : [...left, one.id]"
        />
        <p v-if="undated && frostYear <= year" class="slip">
          Some follow from the frosts, which are still those of {{ frostYear }}.
          <Button @click="moveFrosts">Move the frosts to {{ frostYear + 1 }}</Button>
        </p>
        <p v-if="planProblem" class="problem" role="alert">{{ planProblem }}</p>
        <div class="buttons">
          <Button type="submit" class="main" :disabled="busy || !chosen.length"
            >Plan {{ counted(chosen.length, 'sowing') }}</Button
          >
          <Button @click="planning = false">Cancel</Button>
        </div>
      </form>
    </Dialog>
  </div>
</template>

<style scoped>
.year {
  display: grid;
  gap: 1.4rem;
  max-width: 66rem;
  min-width: 0;
}

.sums {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 2rem;
}

.sums b {
  font: 640 1.5rem/1.2 var(--heading);
}

section {
  display: grid;
  gap: 0.5rem;
  min-width: 0;
}

.short {
  box-shadow: inset 3px 0 0 var(--marigold);
  padding-left: 0.5rem;
}

.packets li {
  display: grid;
  grid-template-columns: minmax(12rem, 1.2fr) minmax(6rem, 0.7fr) 10rem minmax(14rem, 2fr);
  gap: 0 1rem;
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--line);
}

.packets li > :nth-child(2):not(.soft) {
  grid-column: 3;
}

.use-up-first {
  box-shadow: inset 4px 0 0 var(--marigold);
  padding-left: 0.6rem;
}

.do-not-buy-again {
  box-shadow: inset 4px 0 0 var(--beet);
  padding-left: 0.6rem;
}

.two {
  grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
  gap: 1rem 2rem;
}

.two > div {
  align-content: start;
}

.thought {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.8rem;
  align-items: center;
  padding: 0.25rem 0;
}

.think {
  display: flex;
  gap: 0.6rem;
  align-items: start;
  max-width: 42rem;
}

.think > :first-child {
  flex: 1;
}

.think .button {
  margin-top: 1.7rem;
}

@media (max-width: 52rem) {
  .packets li {
    grid-template-columns: minmax(0, 1fr) auto;
  }

  .packets .why {
    grid-column: 1 / -1;
  }
}
</style>
