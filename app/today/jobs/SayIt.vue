<script setup lang="ts">
import { inWordsOf } from '#shared/messages/message'
import { isFigure, type Sentence } from '#shared/messages/steps'

/** A sentence of a step: words, and figures that show their working. */
const props = defineProps<{ say: Sentence }>()
const saying = useSaying()

const OPENS = /\($/
const CLOSES = /^[).,;:]+/
/** Words as they stand; of a figure what clings to it, so that no line breaks between a bracket and its figure. */
const pieces = computed(() =>
  props.say.map((piece, at) => {
    const before = props.say[at - 1]
    const after = props.say[at + 1]
    if (typeof piece !== 'string')
      return {
        figure: isFigure(piece) ? piece : piece.figure,
        words: isFigure(piece) ? undefined : piece.words,
        opens: typeof before === 'string' ? (OPENS.exec(before)?.[0] ?? '') : '',
        closes: typeof after === 'string' ? (CLOSES.exec(after)?.[0] ?? '') : '',
      }
    let text = inWordsOf(saying.value.english, piece)
    if (before !== undefined && typeof before !== 'string') text = text.replace(CLOSES, '')
    if (after !== undefined && typeof after !== 'string') text = text.replace(OPENS, '')
    return text
  }),
)
</script>

<template>
  <template v-for="(piece, at) in pieces" :key="at"
    ><template v-if="typeof piece === 'string'">{{ piece }}</template
    ><span v-else class="held"
      >{{ piece.opens }}<strong><FigureValue :figure="piece.figure" :digits="piece.words" /></strong
      >{{ piece.closes }}</span
    ></template
  >
</template>

<style scoped>
.held {
  white-space: nowrap;
}

.held :deep(button) {
  white-space: normal;
}
</style>
