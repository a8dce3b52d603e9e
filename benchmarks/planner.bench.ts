/*
 * The measuring planner over kits of 12 and 60 tools, against trying every way by plain loops; and a blend of five feeds
 * by non-negative least squares, against the same wants as a linear programme (least sum of misses) handed to HiGHS.
 */
import loadHighs from 'highs'
import { BLEND_ELEMENTS, blendFeeds, perGram } from '#core/feed/blend'
import { FEEDS } from '#core/feed/feeds'
import { canMeasure, fairFrom } from '#core/feed/measuring'
import { searchWays, spreadAt, stockVolumes } from '#core/feed/planner'
import { isScale, type Tool, type ToolKind } from '#core/feed/tool'
import { median, report } from './report'

const KINDS: ToolKind[] = ['spoon', 'syringe', 'cap', 'kitchen scale', 'jug', 'pocket scale']
const kit = (count: number): Tool[] =>
  Array.from({ length: count }, (_, i) => {
    const kind = KINDS[i % KINDS.length]!
    const capacityMl = isScale(kind)
      ? null
      : kind === 'jug'
        ? 700 + 130 * i
        : kind === 'syringe'
          ? 1 + i
          : 2.5 + i
    return { id: String(i), name: `${kind} ${i}`, kind, capacityMl }
  })
const feed = FEEDS[0]!

/** Every way through two dilutions, without sorting or stopping. */
function everything(massG: number, tools: readonly Tool[]): number {
  const easy = (t: Tool) =>
    (isScale(t.kind) ? [1, 2, 5, 10, 20, 25, 50, 100] : [1, 2, 3, 4, 5].map((n) => n * t.capacityMl!)).filter(
      (x) => x >= fairFrom(t),
    )
  const volumes = stockVolumes(tools)
  const wet = tools.filter((t) => !isScale(t.kind) && canMeasure(t, { form: 'liquid' }))
  let best = Infinity
  for (const a of tools.filter((t) => canMeasure(t, feed)))
    for (const x of easy(a))
      for (const v of volumes)
        for (const b of wet)
          for (const y of easy(b))
            for (const w of volumes)
              for (const d of wet) {
                const grams = isScale(a.kind) ? x : x * 0.95
                if (grams / v > 100 || y > v * 1000 || y >= w * 1000) continue
                const ml = massG / ((grams / v / 1000) * (y / w / 1000))
                if (ml < fairFrom(d) || ml > w * 1000) continue
                const variance = spreadAt(a, x) ** 2 + spreadAt(b, y) ** 2 + 2 * 0.03 ** 2
                best = Math.min(best, Math.sqrt(variance + spreadAt(d, ml) ** 2))
              }
  return best
}

const small = kit(12)
const large = kit(60)
report(
  'planner, 12 tools',
  median(9, () => searchWays({ feed, massG: 0.08, tools: small })),
  'every way by plain loops',
  median(1, () => everything(0.08, small)),
)
console.log(
  `planner, 60 tools: ${median(3, () => searchWays({ feed, massG: 0.08, tools: large })).toFixed(1)} ms (wanted under 2000)`,
)

const salts = FEEDS.filter(({ form, use }) => form === 'powder' && use === 'dissolved').slice(2, 8)
const wanted = { N: 100, P: 15, K: 100, Ca: 60, Mg: 20 }
const highs = await loadHighs()
const rows = salts.map(perGram)
const programme = `Minimize\n miss: ${BLEND_ELEMENTS.map((e) => `u${e} + o${e}`).join(' + ')}\nSubject To\n${BLEND_ELEMENTS.map(
  (e) =>
    ` ${e}: ${rows.map((row, i) => `${row[e].toFixed(6)} x${i}`).join(' + ')} + u${e} - o${e} = ${wanted[e]}`,
).join('\n')}\nEnd`
report(
  'blend of six feeds by least squares',
  median(200, () => blendFeeds(salts, wanted)),
  'the same wants in HiGHS',
  median(40, () => highs.solve(programme)),
)
