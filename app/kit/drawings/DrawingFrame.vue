<script setup lang="ts">
import { Download } from '@lucide/vue'

/** A drawing that can be taken along as a file. */
const props = defineProps<{ file: string; title: string }>()
const around = useTemplateRef('around')
const { note } = useNotes()
async function save(as: 'svg' | 'png') {
  const svg = [...(around.value?.querySelectorAll('svg') ?? [])].sort((a, b) => area(b) - area(a))[0]
  if (!svg) return
  try {
    await saveDrawing(svg, props.file, as)
  } catch {
    note('This browser cannot draw it as a picture. The SVG is the same drawing.')
  }
}
/** The largest is the drawing; the rest are icons. */
const area = (svg: SVGSVGElement) => {
  const { width, height } = svg.getBoundingClientRect()
  return width * height
}
</script>

<template>
  <div ref="around" class="taken-along">
    <slot />
    <p class="take no-print">
      <Button text :aria-label="`${title} as SVG`" @click="save('svg')"
        ><Download aria-hidden="true" /> SVG</Button
      >
      <Button text :aria-label="`${title} as PNG`" @click="save('png')"
        ><Download aria-hidden="true" /> PNG</Button
      >
    </p>
  </div>
</template>

<style scoped>
.taken-along {
  min-width: 0;
}

.take {
  display: flex;
  justify-content: flex-end;
  gap: 0.2rem;
  font-size: 0.9375rem;
}
</style>
