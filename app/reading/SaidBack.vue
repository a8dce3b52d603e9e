<script setup lang="ts">
import { isDay } from '#core/calendar/day'
import { saidAnew } from '#core/language/said-anew'
import type { ReadText } from '#shared/derived/read-as'
import { inWordsOf } from '#shared/messages/message'

/**
 * What a text was read as: each word with what it was taken for, the whole in one sentence, and what is asked, answered with a
 * press. Pressing a word takes the hand back to it in the field, to say it in another way.
 */
const props = defineProps<{
  read: ReadText
  /** Which line of a list; all of a text that is one sentence. */
  line?: number
  /** Without the sentence: something else tells what follows. */
  wordsOnly?: boolean
}>()
const emit = defineEmits<{ say: [text: string]; pick: [from: number, to: number] }>()
const { printLongDay } = useDates()
const { make } = useNewVessel()

const words = computed(() => props.read.words.filter((one) => one.line === (props.line ?? 0)))
const questions = computed(() => props.read.questions.filter((one) => one.line === (props.line ?? 0)))
const saying = useSaying()
const says = computed(() => inWordsOf(saying.value.english, props.read.readings[0]?.says ?? ''))
const PLAIN = new Set(['filler'])
const meaning = (means: string) => (isDay(means) ? printLongDay(means) : means)
/** The word that was pressed: what else it could be is offered, and typing takes its place. */
const picked = ref<number | null>(null)
watch(
  () => props.read,
  () => (picked.value = null),
)
const others = ref<readonly string[]>([])
const other = computed(() =>
  picked.value !== null && others.value.length ? words.value[picked.value] : undefined,
)
async function pick(index: number) {
  const one = words.value[index]
  if (!one) return
  picked.value = index
  others.value = []
  emit('pick', one.from, one.to)
  const found = await othersOf(one)
  if (picked.value === index) others.value = found
}
function instead(said: string) {
  const text = props.read.lines[props.line ?? 0]?.text ?? ''
  if (other.value) emit('say', saidAnew(text, other.value, said))
}
async function choose(choice: ReadText['questions'][number]['choices'][number]) {
  emit('say', choice.makes ? await make(choice.makes, choice.text) : choice.text)
}
</script>

<template>
  <div class="stack">
    <ul class="words row-s" aria-label="How it was understood">
      <li
        v-for="(one, index) in words"
        :key="index"
        :class="{ plain: PLAIN.has(one.as), unread: one.as === 'unread' }"
      >
        <button
          type="button"
          :aria-label="`${one.text}: ${meaning(one.means) || 'says nothing by itself'}. Say it in another way`"
          :aria-pressed="picked === index"
          @click="pick(index)"
        >
          <span class="said strong">{{ one.text }}</span>
          <span class="means">{{ meaning(one.means) }}</span>
        </button>
      </li>
    </ul>
    <div v-if="other" class="others row-s" role="group" :aria-label="`Instead of ${other.text}`">
      <span class="soft">‘{{ other.text }}’ or</span>
      <Button v-for="one in others" :key="one" @click="instead(one)">{{ one }}</Button>
      <span class="soft">or type it anew</span>
    </div>
    <div aria-live="polite">
      <p v-if="says && !wordsOnly" class="says">{{ says }}.</p>
      <AskWhich
        v-for="one in questions"
        :key="one.question"
        :question="one.question"
        :choices="one.choices"
        @choose="choose"
      />
    </div>
  </div>
</template>

<style scoped>
.words button {
  display: grid;
  justify-items: start;
  min-height: 2.75rem;
  padding: 0.2rem 0.5rem;
  border: 0;
  border-bottom: 3px solid var(--enamel);
  background: var(--water-wash);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.words .means {
  color: var(--ink-soft);
  font-size: 0.9rem;
}

.words .plain button {
  border-color: transparent;
  background: none;
}

.words .plain .said {
  color: var(--ink-soft);
  font-weight: 400;
}

.words .unread button {
  border-bottom: 3px dashed var(--beet);
  background: var(--paper-deep);
}

.says {
  max-width: 62rem;
}
</style>
