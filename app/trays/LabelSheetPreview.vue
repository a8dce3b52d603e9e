<script setup lang="ts">
import { present } from '#core/present'
import { at } from '#core/numeric/at'
import QRCode from 'qrcode'
import { drawLabel, type LabelText, type Measure } from '#core/trays/label'
import { labelSpots, type LabelSheet } from '#core/trays/label-sheet'

/** The first sheet of labels, to scale, as it comes out of the printer. */
const props = defineProps<{
  texts: readonly LabelText[]
  sheet: LabelSheet
  start: number
  cut: boolean
  family: string
}>()

const ready = ref(false)
onMounted(() => void document.fonts.ready.then(() => (ready.value = true)))
const canvas = present(document.createElement('canvas').getContext('2d'))
/** Letters are measured large, so that no hinting is measured with them. */
const LARGE = 100
const measure: Measure = (text, sizeMm, bold) => {
  canvas.font = `${bold ? 700 : 400} ${LARGE}px ${props.family}`
  return (canvas.measureText(text).width / LARGE) * sizeMm
}
function code(address: string, sizeMm: number) {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' })
  const each = sizeMm / (modules.size + 4)
  let d = ''
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        d += `M${(column + 2) * each} ${(row + 2) * each}h${each}v${each}h${-each}z`
  return d
}
const labels = computed(() => {
  void ready.value
  return labelSpots(props.sheet, props.texts.length, props.start)
    .map((spot, i) => ({ spot, text: at(props.texts, i) }))
    .filter(({ spot }) => spot.page === 0)
    .map(({ spot, text }) => {
      const drawn = drawLabel(text, props.sheet.labelWidthMm, props.sheet.labelHeightMm, measure)
      return { spot, ...drawn, code: drawn.qr && text.address ? code(text.address, drawn.qr.sizeMm) : null }
    })
})
const left = computed(() => [...new Set(labels.value.flatMap((one) => one.left))])
const svg = ref<SVGSVGElement>()
defineExpose({
  left,
  /** The sheet as a file of its own. */
  asSvg: () => {
    const copy = present(svg.value).cloneNode(true) as SVGSVGElement
    copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
    copy.setAttribute('width', `${props.sheet.pageWidthMm}mm`)
    copy.setAttribute('height', `${props.sheet.pageHeightMm}mm`)
    copy.removeAttribute('class')
    return new XMLSerializer().serializeToString(copy)
  },
})
</script>

<template>
  <svg
    ref="svg"
    class="sheet"
    :viewBox="`0 0 ${sheet.pageWidthMm} ${sheet.pageHeightMm}`"
    role="img"
    :aria-label="`The first sheet: ${labels.map(({ lines }) => lines.map(({ text }) => text).join(', ')).join('; ')}`"
  >
    <rect width="100%" height="100%" fill="#fff" />
    <g v-for="(one, i) in labels" :key="i" :transform="`translate(${one.spot.x} ${one.spot.y})`">
      <rect
        :width="sheet.labelWidthMm"
        :height="sheet.labelHeightMm"
        fill="none"
        stroke="#000"
        :stroke-width="cut ? 0.1 : 0.05"
        :stroke-dasharray="cut ? undefined : '1 1'"
        :rx="cut ? 0 : 1.5"
      />
      <text
        v-for="(line, n) in one.lines"
        :key="n"
        :x="line.x"
        :y="line.y"
        :font-size="line.sizeMm"
        :font-weight="line.bold ? 700 : 400"
        fill="#000"
      >
        {{ line.text }}
      </text>
      <path
        v-if="one.code && one.qr"
        :transform="`translate(${one.qr.x} ${one.qr.y})`"
        :d="one.code"
        fill="#000"
      />
    </g>
  </svg>
</template>

<style scoped>
.sheet {
  display: block;
  width: 100%;
  max-width: 46rem;
  box-shadow: var(--shade);
}
</style>
