import { until } from '@vueuse/core'
import { wrap, type Remote } from 'comlink'
import type { Heard, Words } from '#core/language/reading'
import type { ReadKind, ReadText } from '#shared/derived/read-as'
import type { Reader } from '~/workers/reader.worker'

/** One worker for all that is typed; what it knows is told again where it changed. */
let worker: Remote<Reader> | null = null
let told: Words | null = null
let telling: Promise<void> = Promise.resolve()
function readerOf(words: Words): Remote<Reader> {
  worker ??= wrap<Reader>(
    new Worker(new URL('../workers/reader.worker.ts', import.meta.url), { type: 'module' }),
  )
  if (told !== words) {
    told = words
    telling = worker.know(copyOf(words)) as Promise<void>
  }
  return worker
}

/** What a word that was read could be instead; none where the reader is not there. */
export const othersOf = async (word: Heard): Promise<string[]> =>
  worker ? await worker.others(copyOf(word)) : []

/**
 * What a text that is typed was read as. The reader and its words are loaded with the first letter.
 *
 * @param of what is to be read with beside the household's words: the tools and the form of a feed
 * @returns null while nothing is typed, or it is being read
 */
export function useReader<Meaning>(
  kind: ReadKind,
  text: Readonly<Ref<string>>,
  of: MaybeRefOrGetter<Partial<Words>> = {},
) {
  const words = useWords()
  const answer = shallowRef<{ readonly text: string; readonly read: ReadText } | null>(null)
  const failed = ref(false)
  let asked = 0
  async function ask() {
    const now = ++asked
    const said = text.value
    if (!said.trim()) return void (answer.value = null)
    try {
      const reader = readerOf(words.value)
      await telling
      const read = await reader.read(kind, said, copyOf(toValue(of)))
      if (now === asked && read) answer.value = { text: said, read }
      failed.value = false
    } catch {
      failed.value = now === asked
    }
  }
  // What it is read with is looked at once something is typed.
  watch(() => (text.value.trim() ? [text.value, words.value, toValue(of)] : []), ask, { immediate: true })
  onBeforeUnmount(() => asked++)

  const current = computed(() => (answer.value?.text === text.value ? answer.value.read : null))
  const reading = computed(() => text.value.trim() !== '' && current.value === null && !failed.value)
  return {
    /** Whether the text of the field is still being read. */
    reading,
    /** Who types and presses Enter at once is waited for, not refused. */
    settled: () => until(reading).toBe(false),
    /** What was read last, while what is typed anew is being read: what is shown does not flicker. */
    shown: computed(() => (text.value.trim() ? (answer.value?.read ?? null) : null)),
    /** Of exactly what stands in the field. */
    read: current,
    /** What is meant, where all of it is clear. */
    meaning: computed(() => (current.value?.readings[0]?.meaning ?? null) as readonly Meaning[] | null),
    says: computed(() => current.value?.readings[0]?.says ?? ''),
    questions: computed(() => current.value?.questions ?? []),
    failed,
  }
}
