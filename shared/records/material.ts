import * as z from 'zod'
import {
  materialProblems,
  type Material,
  type MaterialFigure,
  type MaterialLibrary,
} from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import { yours, type Source } from '#core/working/source'
import { amount, name, reference, ruled } from '../rules'

const fraction = amount.describe('A fraction, 0–1')

export const figures = z.object({
  theta0: fraction,
  theta10: fraction,
  theta50: fraction,
  theta100: fraction,
  dryBulkDensityGPerL: amount.describe('g/L'),
  ph: amount,
  smeEcMsPerCm: amount.describe('Saturated media extract, mS/cm'),
  organic: fraction,
  nitrogenPercent: amount.describe('Per cent of dry mass'),
  mineralised: fraction.describe('Of the nitrogen, in 8 weeks at 21 °C'),
  bufferWeight: fraction,
  coarse: fraction,
  settling: fraction,
})

export const material = ruled(
  z.object({
    name,
    basedOn: reference.nullable().describe('The built-in material it corrects, or null for one of its own'),
    figures,
    packL: amount
      .min(0.1, 'A pack holds at least 0.1 L.')
      .max(5000, 'A pack holds at most 5000 L.')
      .describe('What a pack holds, L'),
    sustainability: z.string().max(300, 'Keep it under 300 characters.').default(''),
  }),
  (value) => [
    ...materialProblems(value.figures).map((problem) => ({ ...problem, path: ['figures', ...problem.path] })),
    ...(value.basedOn === null || BUILT_IN.has(value.basedOn)
      ? []
      : [{ path: ['basedOn'], message: 'This material is not known.' }]),
  ],
)
export type MaterialRecord = z.output<typeof material>

const OURS = yours('your own figure')

/** The household's own or corrected material as core knows it. Figures left as they were keep their source. */
export function asMaterial(id: string, record: MaterialRecord): Material {
  const original = record.basedOn === null ? undefined : BUILT_IN.get(record.basedOn)
  const sources = Object.fromEntries(
    (Object.keys(record.figures) as MaterialFigure[]).map((key): [string, Source] => [
      key,
      original && original[key] === record.figures[key] ? original.sources[key] : OURS,
    ]),
  ) as Record<MaterialFigure, Source>
  return {
    ...(original ?? {
      kind: 'medium' as const,
      packs: [{ id: 'own', name: `${record.packL} L pack`, volumeL: record.packL }],
      hazards: ['dust', 'microbes'] as const,
    }),
    ...record.figures,
    id: original?.id ?? id,
    name: record.name,
    sustainability: record.sustainability || (original?.sustainability ?? ''),
    sources,
  }
}

/** The built-in materials with the household's own beside them, and its corrections over them. */
export function libraryWith(own: readonly Material[]): MaterialLibrary {
  if (own.length === 0) return BUILT_IN
  return new Map([...BUILT_IN, ...own.map((one) => [one.id, one] as const)])
}

/** Which figures a household changed. */
export function changedFigures(one: Material): MaterialFigure[] {
  const original = BUILT_IN.get(one.id)
  if (!original) return []
  return (Object.keys(original.sources) as MaterialFigure[]).filter((key) => original[key] !== one[key])
}
