<script setup lang="ts">
import { present } from '#core/present'
import { FEEL_WORDS } from '#shared/messages/step-words'
import { PASTEURISED_C } from '#core/media/hot-water'
import { inSentence } from '#core/text/plurals'
import { printNumber, printQuantity, printShare } from '#core/units/format'
import { printFraction } from '#core/units/fraction'
import type { MaterialLine } from '#core/media/batch'
import { textureFill } from '#shared/drawings/textures'

const { said, temperature, length } = useMeasures()

/** What has to be measured, opened and soaked for the batch. */
const mix = useMixDraft()
const household = useHousehold()

const plan = computed(() => mix.plan)
const scoopText = (line: MaterialLine) => printFraction(line.scoops.scoops.value, 0.25)
const soaks = computed(() => plan.value?.lines.filter(({ soak }) => soak) ?? [])
const sieved = computed(
  () => plan.value?.lines.flatMap((line) => (line.sieve ? [{ ...line, sieve: line.sieve }] : [])) ?? [],
)
/** What the sieve kept back goes into the recipe, as parts beside the others. */
function putBack(materialId: string, litres: number) {
  if (!plan.value) return
  const partL = plan.value.ingredientsL.value / mix.draft.parts.reduce((sum, { parts }) => sum + parts, 0)
  const parts = Math.max(0.25, Math.round((litres / partL) * 4) / 4)
  mix.change('put back', (draft) => {
    const there = draft.parts.find((part) => part.materialId === materialId)
    if (there) there.parts += parts
    else draft.parts.push({ materialId, parts })
  })
}
/** Rounding matters to a mix from a twentieth on. */
const roundingText = (line: MaterialLine) => {
  const error = line.scoops.roundingError.value
  return Math.abs(error) < 0.02 ? '' : `${error > 0 ? '+' : '−'}${printShare(Math.abs(error))}`
}
</script>

<template>
  <section class="tally stack" aria-labelledby="tally-title">
    <h2 id="tally-title">To measure out</h2>
    <template v-if="plan">
      <p class="total">
        <FigureValue :figure="plan.mixL" />
        <span class="of">loose mix</span>
      </p>
      <FigureTable
        :columns="[
          'Material',
          'Loose',
          `Scoops of ${printQuantity(mix.draft.scoop.volumeL, 'volume', household.units)}`,
        ]"
      >
        <tr v-for="line in plan.lines" :key="line.material.id">
          <th scope="row">
            <div class="material">
              <svg class="swatch" width="26" height="26" aria-hidden="true">
                <rect width="26" height="26" rx="4" :fill="textureFill(line.material.id)" />
              </svg>
              <span>
                {{ line.material.name }}
                <small v-if="!line.share">cover only</small>
                <small>
                  <PackToOpen :line="line" />
                </small>
              </span>
            </div>
          </th>
          <td><FigureValue :figure="line.looseL" /></td>
          <td>
            <FigureValue :figure="line.scoops.scoops" :digits="scoopText(line)" class="scoops" />
            <small v-if="roundingText(line)"
              ><FigureValue :figure="line.scoops.roundingError" :digits="roundingText(line)"
            /></small>
          </td>
        </tr>
      </FigureTable>
      <div v-if="plan.lower" class="lower">
        <h3>The mix below</h3>
        <p>
          <strong><FigureValue :figure="plan.lower.mixL" /></strong> loose, of
          <template v-for="(measure, index) in plan.lower.measures" :key="measure.material.id">
            {{ index ? ', ' : '' }}<FigureValue :figure="measure.looseL" />
            {{ inSentence(measure.material.name) }}</template
          >. The table above counts both mixes together.
        </p>
      </div>

      <ul v-if="plan.extras.length" class="extras">
        <li v-for="extra in plan.extras" :key="extra.material.id">
          <strong>{{ extra.material.name }}</strong>
          <span><FigureValue :figure="extra.massG" /> · <FigureValue :figure="extra.volumeMl" /></span>
        </li>
      </ul>
      <p v-if="plan.tubPlan" class="small">
        <strong><FigureValue :figure="plan.tubPlan.tubs" /> goes</strong> in your tub, each of
        <template v-for="(count, index) in plan.tubPlan.scoops" :key="index">
          {{ index ? ' : ' : '' }}<FigureValue :figure="count.wantedL" />
        </template>
        in the order above.
      </p>

      <div v-for="line in soaks" :key="line.material.id" class="soak stack-s">
        <p>
          Soak <strong><FigureValue :figure="present(line.soak).dryMassG" /></strong> dry coir in
          <strong><FigureValue :figure="present(line.soak).waterL" /></strong> of water first.
        </p>
        <p v-if="line.soakWholePacks" class="small">
          Or the whole {{ printNumber(line.packs.value) }} × {{ line.pack.name }} in
          <FigureValue :figure="line.soakWholePacks.waterL" />: makes
          <FigureValue :figure="line.soakWholePacks.fibreL" />.
        </p>
      </div>

      <div v-if="plan.hotWater" class="soak stack-s">
        <h3>Hot water</h3>
        <p>
          <strong><FigureValue :figure="plan.hotWater.waterL" /></strong> of boiling water{{
            plan.hotWater.of === 'coir' ? ': the coir’s soak' : ' in all, the coir’s soak included'
          }}. The middle comes to about <FigureValue :figure="plan.hotWater.reachesC" /> and is cool after
          <FigureValue :figure="plan.hotWater.coolHours" />.
        </p>
        <p v-if="plan.hotWater.reachesC.value < PASTEURISED_C" class="small">
          Half an hour at {{ temperature(PASTEURISED_C) }} would kill most damping-off fungi; this stays
          below. A wetter feel takes more hot water, or heat the mix itself.
        </p>
      </div>
      <p v-if="plan.hotWater?.of !== 'mix'">
        Then stir in about <strong><FigureValue :figure="plan.waterL" /></strong> of water, until it feels
        like {{ FEEL_WORDS[mix.draft.feel] }}.
      </p>

      <div v-for="line in sieved" :key="line.material.id" class="small">
        <p>
          Sieve <FigureValue :figure="line.sieve.bagL" /> of {{ inSentence(line.material.name) }} through
          {{ length(line.sieve.meshMm) }}; <FigureValue :figure="line.sieve.staysL" /> stays behind<template
            v-if="line.sieve.perliteLostL"
            >, <FigureValue :figure="line.sieve.perliteLostL" /> of it perlite. As much vermiculite or perlite
            puts the air back.
            <button
              v-for="id in ['vermiculite', 'perlite']"
              :key="id"
              type="button"
              class="link"
              @click="putBack(id, present(line.sieve.perliteLostL).value)"
            >
              add {{ id }}
            </button> </template
          ><template v-else>.</template>
        </p>
      </div>

      <CautionList :cautions="plan.cautions">
        <template #salts>About <FigureValue :figure="plan.chemistry.saltsMsPerCm" />. </template>
      </CautionList>
    </template>
    <div v-else class="waiting" role="status">
      <p><strong>Nothing to measure yet.</strong></p>
      <p>{{ said(mix.problem ?? '') }}</p>
    </div>
  </section>
</template>

<style scoped>
.tally {
  align-content: start;
}

.total {
  display: flex;
  align-items: baseline;
  gap: 0.6rem;
  font: 740 2.6rem/1 var(--heading);
  letter-spacing: -0.03em;
}

.of {
  font-size: 1.25rem;
  letter-spacing: 0;
  font-weight: 560;
}

.material {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.6rem;
}

small {
  display: block;
  color: var(--ink-soft);
  font-size: 0.9375rem;
  font-weight: 400;
}

.scoops {
  font: 720 1.35rem/1 var(--heading);
}

.tally td,
.tally tbody th {
  vertical-align: top;
  line-height: 1.2;
  white-space: nowrap;
}

.tally tbody th {
  white-space: normal;
}

.swatch {
  border-radius: 4px;
  outline: 1px solid var(--line-strong);
}

.extras li {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  padding: 0.3rem 0;
  border-top: 1px solid var(--line);
}

.soak {
  padding: 0.7rem 0.9rem;
  border-radius: 0.4rem;
  background: var(--water-wash);
  color: var(--water-ink);
}

.waiting {
  padding: 1rem 0 2rem;
}
</style>
