<script setup lang="ts">
import { sayVerdict } from '#shared/messages/mix'
import { withArticle } from '#core/text/plurals'
import { physicsIn, withDepth } from '#core/media/container-physics'
import { printNumber, printShare } from '#core/units/format'

/** The mix in the chosen container: how much air is left after draining, and what else awaits the seedling. */
const mix = useMixDraft()
const saying = useSaying()
const root = useTemplateRef<HTMLElement>('root')
const plan = useFollowing(root, () => mix.plan)

const chosen = ref('0')
const fills = computed(() => plan.value?.fills.map(({ fill }) => fill) ?? [])
const index = computed(() => (fills.value[Number(chosen.value)] ? Number(chosen.value) : 0))
const container = computed(() => fills.value[index.value]?.container)
const choices = computed(() =>
  fills.value.map((fill, at) => ({ value: String(at), name: fill.container.name })),
)

const { seen, lower, press } = useInside(plan, () => index.value)
const verdicts = computed(() =>
  seen.value?.verdicts.map((one) => ({ ...one, ...sayVerdict(one, saying.value) })),
)

/** The same mix, shallower and deeper. */
const beside = computed(() => {
  const blend = plan.value
  const here = container.value
  if (!blend || !here || !seen.value) return []
  const at = (id: string, name: string, factor: number) => {
    const other = withDepth(here, here.shape.depthMm * factor)
    const below = lower.value && { ...lower.value, heightMm: lower.value.heightMm * factor }
    const { airSpace } = physicsIn(other, blend, { lower: below, press: press.value })
    return { id, name, container: other, lower: below, air: airSpace }
  }
  return [
    at('half', 'half as deep', 0.5),
    { id: 'this', name: 'this one', container: here, lower: lower.value, air: seen.value.physics.airSpace },
    at('twice', 'twice as deep', 2),
  ]
})
const PICTURE_PX = 190
const scale = computed(() => {
  if (!container.value) return 1
  const { shape } = container.value
  const width = shape.form === 'round' ? shape.topDiameterMm : shape.topWidthMm
  return Math.min(PICTURE_PX / (shape.depthMm * 2), 96 / width)
})
</script>

<template>
  <section v-if="plan && container && seen" ref="root" class="air" aria-labelledby="air-title">
    <div class="head">
      <h2 id="air-title">The air in it</h2>
      <ChoiceField
        v-if="choices.length > 1"
        v-model="chosen"
        label="Look into"
        hide-label
        :choices="choices"
      />
    </div>
    <p class="unseen">
      After draining, {{ withArticle(container.name) }} of this mix holds
      {{ printShare(seen.physics.airSpace.value) }} air,
      {{ printShare(seen.physics.containerCapacity.value) }} water and the rest is solid; most of the water
      stays at the bottom.
    </p>
    <div class="sections row-l">
      <figure v-for="one in beside" :key="one.id" class="stack-s" :class="{ here: one.id === 'this' }">
        <AirSection
          :container="one.container"
          :blend="plan"
          :pressing="seen.physics.pressing.value"
          :lower="one.lower"
          :scale="scale"
        />
        <figcaption>
          <strong><FigureValue :figure="one.air" /></strong> air<br /><span class="soft">{{ one.name }}</span>
        </figcaption>
      </figure>
      <ul class="key" aria-hidden="true">
        <li class="k-air row-s nowrap">air</li>
        <li class="k-water row-s nowrap">water</li>
        <li class="k-solids row-s nowrap">solid</li>
      </ul>
    </div>
    <AirScale :wanted="seen.physics.airWanted" :beside="beside" />
    <p class="soft small">
      Soaked and drained, one {{ container.kind === 'tray' ? 'tray' : 'of them' }} weighs
      <FigureValue :figure="seen.physics.wetWeightG" />;
      <FigureValue :figure="seen.physics.containerCapacity" /> of its volume is water.
    </p>
    <p v-if="plan.curve" class="soft small">
      By your home test of this mix: it holds
      <FigureValue :figure="plan.curve.holds" /> times the standard pore space and drains like a container
      <FigureValue :figure="plan.curve.drains" /> times as high.
    </p>
    <WorksForMe :container="container" />
    <dl>
      <div v-for="verdict in verdicts" :key="verdict.id" :class="verdict.mood">
        <dt>
          <span class="mood">{{ verdict.mood }}</span> {{ verdict.title }}
          <strong>
            <FigureValue
              :figure="verdict.figure"
              v-bind="
                verdict.id === 'ph'
                  ? { digits: `${printNumber(verdict.figure.value, 2)} ± 0.4` }
                  : verdict.id === 'food'
                    ? { digits: `${Math.round(verdict.figure.value)} days` }
                    : {}
              "
            />
          </strong>
        </dt>
        <dd>{{ verdict.text }}</dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
.air {
  display: grid;
  gap: 0.7rem;
  /* Below the fold it is laid out when it comes into sight: a band moves within a frame. */
  content-visibility: auto;
  contain-intrinsic-size: auto 46rem;
}

.head {
  display: grid;
  grid-template-columns: auto minmax(0, 14rem);
  align-items: center;
  justify-content: space-between;
  gap: 1rem;
}

.sections {
  align-items: end;
  padding: 0.6rem 0;
}

figure {
  justify-items: center;
}

figcaption {
  text-align: center;
  line-height: 1.2;
  font-size: 0.9375rem;
}

.here figcaption strong {
  font: 740 1.5rem/1 var(--heading);
}

.key {
  align-self: start;
  margin-left: auto;
  font-size: 0.9375rem;
}

.key li::before {
  content: '';
  width: 0.9rem;
  height: 0.9rem;
  border: 1px solid var(--ink);
}

.k-air::before {
  background: var(--water-wash);
}

.k-water::before {
  background: var(--water);
}

.k-solids::before {
  background: var(--soil);
}

dl > div {
  padding: 0.45rem 0;
  border-top: 1px solid var(--line);
}

dt strong {
  margin-left: 0.35rem;
}

dd {
  line-height: 1.3;
  color: var(--ink-soft);
}

.mood {
  display: inline-block;
  min-width: 4.2rem;
  padding: 0 0.45em;
  margin-right: 0.4rem;
  border: 1.5px solid var(--line-strong);
  border-radius: 1em;
  font-size: 0.9375rem;
  text-align: center;
}

.watch .mood {
  border-color: var(--marigold);
  background: var(--marigold-wash);
  color: var(--marigold-ink);
}

.change .mood {
  border-color: var(--beet);
  background: var(--beet-wash);
  color: var(--beet);
}
</style>
