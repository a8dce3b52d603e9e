<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { LINE_EXAMPLE, LINE_KINDS, type LineKind } from '#core/language/line-said'
import { SEEN, seenName, type SeenId } from '#core/signs/seen'

/** One line, typed or spoken, with what it was taken for beneath; chips say the rest with a thumb. */
const props = defineProps<{
  /** What the page is narrowed to: it need not be typed again. */
  subject?: string
}>()
const line = useLogLine()
const household = useHousehold()
const trays = useTrays()
const id = useId()
const { field, say, pick } = useSayAnew(line.text)

/** Trays in which something happened lately come first: the thumb reaches for those. */
const MAX_TRAYS = 5
const lately = computed(() => {
  const seen = new Set<string>()
  for (const { body } of [...household.entries].reverse())
    for (const { what, id: of } of body.subjects) if (what === 'trays') seen.add(of)
  const order = [...seen]
  return [...trays.standing]
    .sort((a, b) => (order.indexOf(a.id) >>> 0) - (order.indexOf(b.id) >>> 0))
    .slice(0, MAX_TRAYS)
})
/** Signs that were noted most; before any was, those a grower looks for first. */
const FIRST: readonly SeenId[] = [
  'well',
  'true leaves',
  'leggy',
  'pale old',
  'burnt',
  'flies',
  'eaten',
  'fallen',
]
const often = computed(() => {
  const times = new Map<SeenId, number>()
  for (const { body } of household.entries)
    for (const sign of body.signs) times.set(sign, (times.get(sign) ?? 0) + 1)
  const ranked = SEEN.map(({ id: sign }) => sign).sort(
    (a, b) => (times.get(b) ?? 0) - (times.get(a) ?? 0) || rank(a) - rank(b),
  )
  return ranked.slice(0, 6)
})
const rank = (sign: SeenId) => (FIRST.includes(sign) ? FIRST.indexOf(sign) : 99)

const VERBS: readonly LineKind[] = ['look', 'thin', 'watered', 'feed', 'lost', 'harvest']
function add(words: string) {
  const text = line.text.value.trim()
  line.text.value = text ? `${text} ${words}` : words
  field.value?.focus()
}
const verb = (kind: LineKind) => present(LINE_KINDS.find((one) => one.kind === kind))

const aboutTray = computed(() => trays.find(props.subject ?? ''))
async function keep() {
  await line.read()
  // Said on the page of a tray, it is about that tray.
  const tray = aboutTray.value
  if (tray)
    line.entries.value.forEach((one, i) => {
      if (one.trayIds.length) return
      line.change(i, {
        trayIds: [tray.id],
        group: tray.body.groups.length === 1 ? first(tray.body.groups).code : null,
        sowingIds: tray.body.groups.flatMap(({ sowingId }) => sowingId ?? []),
      })
    })
  await line.write()
  field.value?.focus()
}
</script>

<template>
  <form class="no-print stack" @submit.prevent="keep">
    <label :for="id" class="big">What happened?</label>
    <div class="line">
      <input
        :id="id"
        ref="field"
        v-model="line.text.value"
        class="input"
        maxlength="600"
        enterkeyhint="done"
        autocapitalize="off"
        :placeholder="LINE_EXAMPLE"
      />
      <Button type="submit" class="main" :disabled="!(line.ready.value || line.reading.value)">Save</Button>
    </div>

    <SaidBack v-if="line.shown.value" :read="line.shown.value" @say="say" @pick="pick" />
    <p v-if="line.failed.value" class="problem">
      The reader could not be loaded. Look whether the server answers, then type again.
    </p>
    <AskWhich
      v-for="doubt in line.doubts.value"
      :key="`${doubt.entry} ${doubt.id}`"
      :question="doubt.question"
      :choices="doubt.choices"
      @choose="line.settle(doubt, $event)"
    />

    <p v-if="line.entries.value.some(({ treatment }) => treatment)" class="caution small">
      Kept by its name: nothing is said of what it does. What its label says of dose, skin and eyes comes
      first.
    </p>
    <details v-if="line.entries.value.length" class="right">
      <summary>Put it right</summary>
      <div v-for="(one, i) in line.entries.value" :key="i" class="pair">
        <label class="choice stack-s strong">
          <span>It was</span>
          <select
            class="input"
            :value="one.kind"
            @change="line.change(i, { kind: ($event.target as HTMLSelectElement).value as LineKind })"
          >
            <option v-for="kind in LINE_KINDS" :key="kind.kind" :value="kind.kind">{{ kind.name }}</option>
          </select>
        </label>
        <DayField
          :model-value="one.on"
          label="On"
          @update:model-value="$event && line.change(i, { on: $event })"
        />
      </div>
    </details>

    <div class="chips row-s" role="group" aria-label="Said with a thumb">
      <button
        v-for="tray in aboutTray ? [] : lately"
        :key="tray.id"
        type="button"
        class="chip tray"
        @click="add(`tray ${tray.number}`)"
      >
        <b>{{ tray.number }}</b> {{ tray.body.groups[0]?.name ?? tray.body.name }}
      </button>
      <button v-for="kind in VERBS" :key="kind" type="button" class="chip" @click="add(verb(kind).word)">
        {{ verb(kind).name.toLowerCase() }}
      </button>
      <button
        v-for="sign in often"
        :key="sign"
        type="button"
        class="chip sign"
        @click="add(first(present(SEEN.find((one) => one.id === sign)).words))"
      >
        {{ seenName(sign).toLowerCase() }}
      </button>
    </div>
  </form>
</template>

<style scoped>
.big {
  font: 640 1.25rem/1.2 var(--heading);
}

.line {
  display: flex;
  gap: 0.5rem;
}

.line input {
  flex: 1;
  min-width: 0;
  min-height: 3rem;
  font-size: 1.125rem;
}

.right summary {
  display: inline-block;
  padding: 0.3rem 0;
  color: var(--enamel);
  cursor: pointer;
}

.chip {
  min-height: 2.75rem;
  padding: 0.3rem 0.8rem;
  border: 1.5px solid var(--line-strong);
  border-radius: 1.4rem;
  background: var(--paper-raised);
  cursor: pointer;
}

.chip:hover {
  border-color: var(--enamel);
  color: var(--enamel);
}

.chip.tray {
  border-radius: 0.35rem;
}

.chip.sign {
  border-style: dashed;
}

@media (max-width: 52rem) {
  .line {
    display: grid;
  }

  .chips {
    flex-wrap: nowrap;
    overflow-x: auto;
    padding-bottom: 0.3rem;
  }

  .chip {
    flex: none;
  }
}
</style>
