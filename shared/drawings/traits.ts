import type { FinderTrait } from '#core/media/finder'
import { printNumber, printShare } from '#core/units/format'

/** How a trait of a mix is named, typed and printed. */
export const TRAITS: Readonly<
  Record<FinderTrait, { name: string; unit: string; percent: boolean; step: number }>
> = {
  air: { name: 'Air', unit: '%', percent: true, step: 0.01 },
  water: { name: 'Easy water', unit: '%', percent: true, step: 0.01 },
  ph: { name: 'pH', unit: '', percent: false, step: 0.1 },
  salts: { name: 'Salts', unit: 'mS/cm', percent: false, step: 0.1 },
  food: { name: 'Food', unit: 'mg/L N', percent: false, step: 10 },
  cost: { name: 'Cost', unit: 'a litre', percent: false, step: 0.1 },
}

export function printTrait(trait: FinderTrait, value: number): string {
  const { percent, unit } = TRAITS[trait]
  if (percent) return printShare(value)
  return trait === 'ph' ? value.toFixed(1) : `${printNumber(value, value < 10 ? 2 : 3)} ${unit}`
}
