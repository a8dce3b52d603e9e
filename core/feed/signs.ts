import { printNumber, printShare } from '../units/format'

/** What is seen on the bench. */
export const SIGNS = [
  { id: 'pale', name: 'Pale leaves' },
  { id: 'burnt', name: 'Burnt tips' },
  { id: 'purple', name: 'Purple leaves' },
  { id: 'crust', name: 'Crust on the mix' },
  { id: 'leggy', name: 'Long and thin' },
  { id: 'fallen', name: 'Fallen at the neck' },
] as const
export type SignId = (typeof SIGNS)[number]['id']

/** What the record says; null where it says nothing. */
export interface BenchRecord {
  /** Last feed, mg/L of nitrogen, against the band of its stage. */
  readonly lastNMgPerL: number | null
  readonly band: readonly [low: number, high: number]
  /** Feed and water together, mS/cm, against the stage's limit. */
  readonly ecMsPerCm: number | null
  readonly ecLimitMsPerCm: number
  /** Days since emergence less days the mix feeds: above 0 it has run out. */
  readonly daysPastFood: number | null
  /** Air in the cell after draining, against the least wanted; fractions. */
  readonly air: number | null
  readonly airLeast: number
  readonly ph: number | null
  /** Of the water, as CaCO₃. */
  readonly alkalinityMgPerL: number | null
  /** SME of the mix, mS/cm. */
  readonly saltsMsPerCm: number | null
  /** Coldest the mix gets, °C. */
  readonly coldestC: number | null
}

export interface Cause {
  readonly id: string
  readonly name: string
  /** The numbers that speak for it. */
  readonly because: string
  readonly then: string
  /** 0–1: how strongly the record speaks for it. */
  readonly weight: number
}

const clamp = (value: number) => Math.max(0, Math.min(1, value))

type Suspect = Omit<Cause, 'weight'> & { readonly weight: number | null }

function suspects(record: BenchRecord): Record<string, Suspect> {
  const { lastNMgPerL, band, ecMsPerCm, daysPastFood, air, ph, alkalinityMgPerL, saltsMsPerCm, coldestC } =
    record
  const n = (value: number | null) => (value === null ? '?' : printNumber(value, 2))
  return {
    hungry: {
      id: 'hungry',
      name: 'Hungry',
      weight: daysPastFood === null ? null : clamp(0.3 + daysPastFood / 14),
      because: `the mix ran out of food ${n(daysPastFood)} days ago`,
      then: 'Feed at the band of its stage, from below.',
    },
    weakFeed: {
      id: 'weak-feed',
      name: 'Fed too weakly',
      weight: lastNMgPerL === null ? null : clamp((band[0] - lastNMgPerL) / Math.max(band[0], 1)),
      because: `the last feed was ${n(lastNMgPerL)} mg/L, and this stage likes ${band[0]}–${band[1]}`,
      then: 'A little stronger at the next watering.',
    },
    strongFeed: {
      id: 'strong-feed',
      name: 'Fed too strongly',
      weight: lastNMgPerL === null ? null : clamp((lastNMgPerL - band[1]) / Math.max(band[1], 1)),
      because: `the last feed was ${n(lastNMgPerL)} mg/L, and this stage likes ${band[0]}–${band[1]}`,
      then: 'Water through with plain water, pour off, and wait a week.',
    },
    salts: {
      id: 'salts',
      name: 'Salts from feed and water',
      weight:
        ecMsPerCm === null ? null : clamp((ecMsPerCm - record.ecLimitMsPerCm) / record.ecLimitMsPerCm + 0.2),
      because: `feed and water come to ${n(ecMsPerCm)} mS/cm, and ${n(record.ecLimitMsPerCm)} is the most for this stage`,
      then: 'Plain water until it runs through; rain in the can.',
    },
    saltyMix: {
      id: 'salty-mix',
      name: 'A salty mix',
      weight: saltsMsPerCm === null ? null : clamp((saltsMsPerCm - 1) / 2),
      because: `the mix itself holds about ${n(saltsMsPerCm)} mS/cm`,
      then: 'Less compost or castings in the next batch; water this one through.',
    },
    drowned: {
      id: 'drowned',
      name: 'Roots without air',
      weight: air === null ? null : clamp((record.airLeast - air) / record.airLeast + 0.15),
      because: `${air === null ? '?' : printShare(air)} of the cell is air, ${printShare(record.airLeast)} is the least`,
      then: 'Let it dry until the tray is light; more perlite or hulls next time.',
    },
    alkaline: {
      id: 'alkaline',
      name: 'Too alkaline for iron',
      weight:
        ph === null && alkalinityMgPerL === null
          ? null
          : clamp(Math.max(((ph ?? 0) - 6.5) / 1.5, ((alkalinityMgPerL ?? 0) - 150) / 200)),
      because: `pH about ${n(ph)}, water of ${n(alkalinityMgPerL)} mg/L alkalinity`,
      then: 'Rain in the can; the new leaves go pale first.',
    },
    cold: {
      id: 'cold',
      name: 'Cold: phosphorus does not move',
      weight: coldestC === null ? null : clamp((15 - coldestC) / 8),
      because: `the mix goes down to ${n(coldestC)} °C`,
      then: 'Warmth first; no extra phosphate.',
    },
    dim: {
      id: 'dim',
      name: 'Too little light, or too warm for the light',
      weight: 0.6,
      because: 'stems stretch where light is weak or far',
      then: 'Lamp closer, longer hours, a few degrees cooler.',
    },
    overfed: {
      id: 'soft',
      name: 'Soft from too much nitrogen',
      weight: lastNMgPerL === null ? null : clamp((lastNMgPerL - band[1]) / Math.max(band[1], 1) - 0.1),
      because: `the last feed was ${n(lastNMgPerL)} mg/L`,
      then: 'Back to the band, and a fan.',
    },
    dampingOff: {
      id: 'damping-off',
      name: 'Damping-off',
      weight: 0.7,
      because: 'a wet surface and still air let the fungi in',
      then: 'Take out what fell with the mix around it, dry the surface, give air. Water from below.',
    },
  }
}

/** Which causes speak to which sign, in the order a grower would think of them [common practice]. */
const SPEAKS: Readonly<Record<SignId, readonly string[]>> = {
  pale: ['hungry', 'drowned', 'weakFeed', 'alkaline', 'cold'],
  burnt: ['strongFeed', 'salts', 'saltyMix'],
  purple: ['cold', 'hungry', 'weakFeed'],
  crust: ['salts', 'alkaline', 'saltyMix', 'drowned'],
  leggy: ['dim', 'overfed'],
  fallen: ['dampingOff', 'drowned'],
}

/**
 * What the record makes likely for a sign, strongest first. A cause of which the record knows nothing comes last with
 * weight 0, so that it is not forgotten; one the record speaks against is left out.
 */
export function causesOf(sign: SignId, record: BenchRecord): Cause[] {
  const all = suspects(record)
  return SPEAKS[sign]
    .map((key) => all[key]!)
    .filter(({ weight }) => weight === null || weight > 0)
    .map((cause): Cause =>
      cause.weight === null
        ? { ...cause, weight: 0, because: 'nothing is written down that speaks for or against it' }
        : { ...cause, weight: cause.weight },
    )
    .sort((a, b) => b.weight - a.weight)
}
