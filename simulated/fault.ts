import { QUANTITIES, type Fault } from '#core/readings/kinds'
import { scatter } from './chance'
import type { Value } from './world'

/** What a device that is broken on purpose says instead: nothing, the same for ever, or anything. */
export function broken(
  fault: Fault | null,
  values: readonly Value[],
  last: readonly Value[],
  of: string,
): readonly Value[] {
  if (fault === 'silent') return []
  if (fault === 'stuck') return last.length ? last : values
  if (fault !== 'wild') return values
  return values.map((one, i) => {
    const { from, to } = QUANTITIES[one.quantity]
    const off = (to - from) * 0.25 * scatter(`${of} ${i}`)
    return { ...one, value: Math.round((one.value + off) * 100) / 100 }
  })
}
