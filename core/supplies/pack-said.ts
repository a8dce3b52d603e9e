import type { UnitSystem } from '../units/unit'
import { printNumber, printShare } from '../units/format'
import { parseQuantity } from '../units/parse'
import type { PackSize } from './goods'

/** A pack as it is said: `50 L`, `5 kg`, `3 cu ft`. @returns null where it is no amount */
export function packSaid(text: string, units: UnitSystem, pressed = false): PackSize | null {
  const volume = parseQuantity(text, { dimension: 'volume', units })
  if (volume.ok) return { measure: pressed ? 'pressed' : 'loose', amount: volume.base }
  const mass = parseQuantity(text, { dimension: 'mass', units })
  return mass.ok ? { measure: 'mass', amount: mass.base } : null
}

/** So much of a pack, or of several: `68 % of 650 g coir brick`, `2 × 50 L bag`. */
export const packsOf = (packs: number, name: string): string =>
  packs < 0.995 ? `${printShare(packs)} of ${name}` : `${printNumber(packs)} × ${name}`
