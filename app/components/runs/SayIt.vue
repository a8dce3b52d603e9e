<script setup lang="ts">
import FigureValue from '~/components/figures/FigureValue.vue'
import { isFigure, type Sentence } from '#core/bench/step'

/** A sentence of a step: words, and figures that show their working. */
defineProps<{ say: Sentence }>()
</script>

<template>
  <template v-for="(piece, at) in say" :key="at"
    ><template v-if="typeof piece === 'string'">{{ piece }}</template
    ><strong v-else-if="isFigure(piece)"><FigureValue :figure="piece" /></strong
    ><strong v-else><FigureValue :figure="piece.figure" :digits="piece.words" /></strong
  ></template>
</template>
