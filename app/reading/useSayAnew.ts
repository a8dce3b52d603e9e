/** A field that is said anew: with a sentence that was offered, or from one of its words on. */
export function useSayAnew(text: Ref<string>) {
  const field = ref<HTMLInputElement | HTMLTextAreaElement | null>(null)
  return {
    field,
    async say(anew: string) {
      text.value = anew
      await nextTick()
      field.value?.focus()
    },
    /** Puts the hand on a word: what is typed next takes its place. */
    pick(from: number, to: number) {
      field.value?.focus()
      field.value?.setSelectionRange(from, to)
    },
  }
}
