<script setup lang="ts">
import { counted } from '#core/text/plurals'
import { measuredCurve, FAR_APART, homeTestProblems, measuredBy } from '#core/media/home-test'
import { runOfWeights, runProblems, type HomeTest, type TestRun } from '#core/media/home-test'
import { messageAt } from '#shared/messages/refusals'
import { printShare } from '#core/units/format'

/** A mix measured at home in five steps: how much it holds, and how much air is left. From then on it counts as measured. */
const mix = useMixDraft()
const recipe = useOwnRecipe()

const NOTHING = { heldMl: 0, volumeMl: null, pouredMl: null, drainedMl: null }
const UNWEIGHED = { emptyG: null, waterG: null, filledG: null, floodedG: null, drainedG: null }
type Poured = { key: keyof TestRun; label: string; typical: number; hint?: string }
/** What is done, and what is read off: millilitres from a jug, or weights; what the mix brings is said either way. */
const STEPS: readonly {
  title: string
  text: string
  of: keyof TestRun
  weighed: readonly { key: keyof typeof UNWEIGHED; label: string }[]
  poured: (how: 'jug' | 'scale') => readonly Poured[]
}[] = [
  {
    title: 'Tape the holes',
    text: 'from outside. Mark a line, fill with water to it, and measure that water. Empty it.',
    of: 'volumeMl',
    weighed: [
      { key: 'emptyG', label: 'Empty, with its tape' },
      { key: 'waterG', label: 'Full of water to the line' },
    ],
    poured: (with_) =>
      with_ === 'jug' ? [{ key: 'volumeMl', label: 'It holds to the line', typical: 0.5 }] : [],
  },
  {
    title: 'Fill with dry mix',
    text: 'to the line, tapped down as you fill your trays. If it is not dry as dust, weigh a potful before and after three days in a warm place: each gram it lost is a millilitre it brings.',
    of: 'heldMl',
    weighed: [{ key: 'filledG', label: 'Filled with mix' }],
    poured: () => [{ key: 'heldMl', label: 'Water it brings', typical: 0.05, hint: '0 where it is dry' }],
  },
  {
    title: 'Flood it slowly',
    text: 'down the side until water reaches the line; wait an hour, top up.',
    of: 'pouredMl',
    weighed: [{ key: 'floodedG', label: 'Flooded to the line' }],
    poured: (with_) =>
      with_ === 'jug' ? [{ key: 'pouredMl', label: 'Poured on in all', typical: 0.5 }] : [],
  },
  {
    title: 'Take the tape off',
    text: 'over a bowl, level, without tilting; let it drip for an hour.',
    of: 'drainedMl',
    weighed: [{ key: 'drainedG', label: 'Drained' }],
    poured: (with_) => (with_ === 'jug' ? [{ key: 'drainedMl', label: 'Ran out', typical: 0.1 }] : []),
  },
]

const open = ref(false)
const how = ref<'jug' | 'scale'>('jug')
const depthMm = ref<number | null>(100)
const jug = reactive<Record<keyof TestRun, number | null>>({ ...NOTHING })
const scale = reactive<Record<keyof typeof UNWEIGHED, number | null>>({ ...UNWEIGHED })
const runs = ref<TestRun[]>([])

const whole = <T extends object>(values: T): values is T & { [K in keyof T]: number } =>
  Object.values(values).every((value) => value !== null)
const run = computed((): TestRun | null => {
  if (how.value === 'jug') return whole(jug) ? { ...jug } : null
  return whole(scale) ? runOfWeights({ ...scale }, jug.heldMl ?? 0) : null
})
const problems = computed(() => (run.value ? runProblems(run.value) : []))
const problemOf = (key: keyof TestRun) => messageAt(problems.value, key)
const test = computed((): HomeTest => ({
  parts: copyOf(mix.draft.parts),
  depthMm: depthMm.value ?? 0,
  runs: runs.value,
}))
const found = computed(() => (runs.value.length ? measuredBy(test.value) : null))
const depthProblem = computed(() => messageAt(homeTestProblems({ ...test.value, runs: [] }), 'depthMm'))
/** The book's view of this mix in that column, and how well its curve can be fitted. */
const curve = computed(() =>
  found.value && !depthProblem.value && mix.plan
    ? measuredCurve(test.value.parts, mix.plan.ingredients, [test.value])
    : null,
)
function keepRun() {
  if (!run.value || problems.value.length) return
  runs.value = [...runs.value, run.value]
  Object.assign(jug, { pouredMl: null, drainedMl: null })
  Object.assign(scale, { filledG: null, floodedG: null, drainedG: null })
}
const drop = (index: number) => (runs.value = runs.value.filter((_, at) => at !== index))

/** Tests that are kept of this recipe. */
const kept = computed(() => recipe.own()?.body.homeTests ?? [])
async function keepTest() {
  const one = copyOf(test.value)
  if (
    await recipe.say(({ homeTests }) => ({
      homeTests: [...homeTests, { ...one, parts: [...one.parts], runs: [...one.runs] }],
    }))
  )
    runs.value = []
}
const forget = (index: number) =>
  recipe.say(({ homeTests }) => ({ homeTests: homeTests.filter((_, at) => at !== index) }))
</script>

<template>
  <FoldAway v-if="mix.plan" v-model:open="open" class="test" title="Measure your own mix">
    <template v-if="open">
      <p class="soft">
        A pot or a cut bottle with straight sides, tape, a jug or a scale, and an hour. The book’s figures
        scatter by 15 %; yours are used for this mix from then on.
      </p>
      <div class="pair">
        <ChoiceField
          v-model="how"
          label="Measured with"
          :choices="[
            { value: 'jug', name: 'a jug or syringe' },
            { value: 'scale', name: 'a kitchen scale' },
          ]"
        />
        <TypedField
          v-model="depthMm"
          dimension="length"
          :typical="10"
          label="Depth of mix"
          :problem="depthProblem"
        />
      </div>
      <ol class="steps stack-l">
        <li v-for="step in STEPS" :key="step.title">
          <strong>{{ step.title }}</strong> {{ step.text }}
          <div class="pair">
            <TypedField
              v-for="{ key, label } in how === 'scale' ? step.weighed : []"
              :key="key"
              v-model="scale[key]"
              dimension="mass"
              :label="label"
              :problem="step.weighed.at(-1)?.key === key ? problemOf(step.of) : undefined"
            />
            <TypedField
              v-for="{ key, label, hint, typical } in step.poured(how)"
              :key="key"
              v-model="jug[key]"
              dimension="volume"
              :unit-in-base="0.001"
              :typical="typical"
              :label="label"
              v-bind="hint ? { hint } : {}"
              :problem="problemOf(key)"
            />
          </div>
        </li>
        <li>
          <strong>Keep this run</strong> and do it twice more with fresh mix: three that agree are worth more
          than one.
          <Button :disabled="!run || problems.length > 0" @click="keepRun">Keep this run</Button>
        </li>
      </ol>
      <ul v-if="runs.length" class="runs stack-s">
        <li v-for="(one, index) in runs" :key="index">
          Run {{ index + 1 }}: {{ printShare((one.heldMl + one.pouredMl) / one.volumeMl) }} pores,
          {{ printShare(one.drainedMl / one.volumeMl) }} air
          <Button class="quiet" :aria-label="`Leave run ${index + 1} out`" @click="drop(index)"
            >Leave out</Button
          >
        </li>
      </ul>
      <p v-if="found" role="status">
        Your mix has <strong><FigureValue :figure="found.pores" /></strong> pores; drained it holds
        <strong><FigureValue :figure="found.water" /></strong> water and
        <strong><FigureValue :figure="found.air" /></strong> air.
        <template v-if="found.spread !== null">
          Your runs lie {{ printShare(found.spread) }} of the volume apart{{
            found.spread > FAR_APART ? ': far apart, so do one more and leave the odd one out' : ''
          }}.
        </template>
        <template v-else> One run only: its spread is not known.</template>
        <template v-if="curve && curve.misses > 0.01">
          The curve of its materials cannot be bent that far; it stays {{ printShare(curve.misses) }} beside
          what you found. Was the mix dry, and the line the same?
        </template>
      </p>
      <SaveProblem :saving="recipe.saving.value" @later="recipe.dismiss" @settled="recipe.dismiss" />
      <Button v-if="found" class="main" :disabled="!!depthProblem" @click="keepTest"
        >Use it for this mix</Button
      >
    </template>
    <ul v-if="kept.length" class="runs stack-s">
      <li v-for="(one, index) in kept" :key="index">
        Measured by you, {{ counted(one.runs.length, 'run') }}: air
        <FigureValue :figure="measuredBy(one).air" />
        <Button class="quiet" @click="forget(index)">Reset to standard</Button>
      </li>
    </ul>
  </FoldAway>
</template>

<style scoped>
.steps {
  padding-left: 1.4rem;
  list-style: decimal;
}

.steps > li > :not(strong) {
  margin-top: 0.35rem;
}

.runs li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: baseline;
}
</style>
