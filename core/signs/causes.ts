import type { SignRecord } from './record'
import type { SignId } from './seen'

/** What may be behind a sign; `shared/messages/signs.ts` says what it is called and what to do. */
interface CauseKind {
  /** Nothing is wrong. */
  readonly nothing?: boolean
  /** −1 where the record speaks against it, 1 where it speaks for it as strongly as it can; null where it says nothing. */
  readonly evidence: (record: SignRecord) => number | null
}

const clamp = (value: number) => Math.max(-1, Math.min(1, value))
/** From −1 at `no` to 1 at `yes`; null for nothing said. */
const between = (value: number | null, no: number, yes: number): number | null =>
  value === null ? null : clamp((2 * (value - no)) / (yes - no) - 1)
/** The strongest of what is said; null where nothing is. */
const strongest = (...said: (number | null)[]): number | null => {
  const known = said.flatMap((one) => (one === null ? [] : [one]))
  return known.length ? Math.max(...known) : null
}

/** Signs and what is behind them are common practice of growers; the thresholds are those of the parts that compute them. */
export const CAUSES = {
  hungry: {
    evidence: ({ daysPastFood, lastNMgPerL, daysSinceFed, band }) =>
      lastNMgPerL !== null && daysSinceFed !== null && daysSinceFed < 10 && lastNMgPerL >= band[0]
        ? -0.8
        : between(daysPastFood, -7, 7),
  },
  weakFeed: {
    evidence: ({ lastNMgPerL, band }) => between(lastNMgPerL, band[0], band[0] * 0.4),
  },
  strongFeed: {
    evidence: ({ lastNMgPerL, band, daysSinceFed }) =>
      daysSinceFed !== null && daysSinceFed > 21
        ? -0.6
        : between(lastNMgPerL, band[1], Math.max(band[1], 25) * 2),
  },
  salts: {
    evidence: ({ ecMsPerCm, ecLimitMsPerCm }) =>
      between(ecMsPerCm, ecLimitMsPerCm * 0.6, ecLimitMsPerCm * 1.4),
  },
  saltyMix: {
    evidence: ({ saltsMsPerCm }) => between(saltsMsPerCm, 0.8, 2.5),
  },
  drowned: {
    evidence: ({ air, airLeast, wetDays }) =>
      strongest(between(wetDays, 2, 5), between(air, airLeast * 1.6, airLeast * 0.5)),
  },
  rotting: {
    evidence: ({ wetDays }) => between(wetDays, 3, 6),
  },
  thirsty: {
    evidence: ({ waterGone }) => between(waterGone, 0.35, 0.9),
  },
  alkaline: {
    evidence: ({ ph, alkalinityMgPerL }) =>
      strongest(between(ph, 6.2, 7.5), between(alkalinityMgPerL, 100, 300)),
  },
  cold: {
    evidence: ({ coldestC, crop }) =>
      between(coldestC, Math.max(15, (crop?.lowestNightC ?? 5) + 8), Math.max(7, crop?.lowestNightC ?? 5)),
  },
  dim: {
    evidence: ({ lightMol, lightLeast }) => between(lightMol, lightLeast * 1.2, lightLeast * 0.6),
  },
  tooWarm: {
    evidence: ({ warmestC }) => between(warmestC, 22, 30),
  },
  coverLeftOn: {
    evidence: ({ covered, daysUp }) => (covered === null ? null : covered && (daysUp ?? 0) >= 0 ? 1 : -0.9),
  },
  overfed: {
    evidence: ({ lastNMgPerL, band }) => between(lastNMgPerL, band[1] * 1.1, Math.max(band[1], 25) * 2.2),
  },
  dampingOff: {
    evidence: ({ wetDays, daysUp, covered }) =>
      daysUp !== null && daysUp > 28
        ? -0.5
        : strongest(between(wetDays, 1, 4), covered === null ? null : covered ? 0.8 : -0.2),
  },
  gnats: {
    evidence: ({ wetDays, living }) => strongest(between(wetDays, 1, 4), between(living, 0.05, 0.4)),
  },
  algae: {
    evidence: ({ wetDays, fromAbove }) =>
      strongest(between(wetDays, 1, 4), fromAbove === null ? null : fromAbove ? 0.5 : -0.3),
  },
  hardWater: {
    evidence: ({ alkalinityMgPerL }) => between(alkalinityMgPerL, 100, 250),
  },
  mouldOnTop: {
    nothing: true,
    evidence: ({ living, daysUp }) =>
      living === null ? null : living > 0.08 && (daysUp ?? 0) < 21 ? 0.7 : -0.5,
  },
  greyMould: {
    evidence: ({ humidity, covered }) =>
      strongest(between(humidity, 0.65, 0.9), covered === null ? null : covered ? 0.7 : -0.3),
  },
  movedOut: {
    nothing: true,
    evidence: ({ daysOutside }) =>
      daysOutside === null ? -0.9 : daysOutside <= 5 ? 1 : daysOutside <= 10 ? 0 : -0.8,
  },
  scorched: {
    evidence: ({ daysOutside, lightMol, warmestC }) =>
      strongest(
        daysOutside === null ? null : daysOutside <= 7 ? 0.7 : -0.6,
        between(lightMol, 18, 30),
        between(warmestC, 28, 36),
      ),
  },
  seedLeavesDone: {
    nothing: true,
    evidence: ({ daysUp }) => between(daysUp, 18, 30),
  },
  noonWilt: {
    nothing: true,
    evidence: ({ warmestC, waterGone }) =>
      warmestC === null || waterGone === null ? null : warmestC >= 27 && waterGone < 0.4 ? 0.7 : -0.6,
  },
  dryMix: {
    evidence: ({ peat, dryDays, waterGone }) =>
      peat !== null && peat < 0.05 ? -0.7 : strongest(between(dryDays, 0, 2), between(waterGone, 0.7, 1.2)),
  },
  shallow: {
    evidence: ({ depthMm, crop, humidity }) =>
      depthMm !== null && crop
        ? between(depthMm, crop.depthMm, crop.depthMm * 0.4)
        : between(humidity, 0.6, 0.35),
  },
  deep: {
    evidence: ({ depthMm, crop }) =>
      depthMm === null || !crop
        ? null
        : between(depthMm, crop.depthMm * 1.2, Math.max(6, crop.depthMm * 2.5)),
  },
  notYet: {
    nothing: true,
    evidence: ({ lateness }) => between(lateness, 1.3, 0.9),
  },
  coldMix: {
    evidence: ({ mixC, crop }) =>
      mixC === null || !crop ? null : between(mixC, crop.warmthC - 2, crop.warmthC - 9),
  },
  oldSeed: {
    evidence: ({ seedYears, lateness }) =>
      lateness !== null && lateness < 1.3 ? -0.6 : between(seedYears, 1, 5),
  },
  driedOut: {
    evidence: ({ dryDays, waterGone }) => strongest(between(dryDays, 0, 2), between(waterGone, 0.6, 1)),
  },
  drownedSeed: {
    evidence: ({ wetDays }) => between(wetDays, 3, 6),
  },
  wrongLight: {
    evidence: ({ depthMm, crop }) =>
      !crop || crop.light === 'either' || depthMm === null
        ? crop?.light === 'either'
          ? -0.9
          : null
        : crop.light === 'wants light'
          ? between(depthMm, 2, 6)
          : between(depthMm, 5, 1),
  },
  outgrown: {
    evidence: ({ roots, overstayed }) =>
      roots === 'circling' ? 1 : roots === 'few' ? -0.9 : between(overstayed, 0.7, 1.3),
  },
  slugs: {
    evidence: ({ wetDays, daysOutside }) =>
      strongest(daysOutside === null ? -0.2 : 0.6, between(wetDays, 2, 5)),
  },
  mice: {
    evidence: ({ daysUp }) => (daysUp === null ? null : daysUp < 7 ? 0.4 : -0.1),
  },
  insects: {
    evidence: ({ daysOutside, daysUp }) => (daysOutside !== null ? 0.4 : between(daysUp, 5, 40)),
  },
  leafSpot: {
    evidence: ({ fromAbove, humidity }) =>
      strongest(fromAbove === null ? null : fromAbove ? 0.6 : -0.4, between(humidity, 0.6, 0.9)),
  },
  drops: {
    nothing: true,
    evidence: ({ fromAbove, alkalinityMgPerL }) =>
      fromAbove === false ? -0.8 : strongest(fromAbove ? 0.2 : null, between(alkalinityMgPerL, 120, 300)),
  },
  hotDryAir: {
    evidence: ({ humidity, warmestC }) => strongest(between(humidity, 0.5, 0.25), between(warmestC, 26, 34)),
  },
  floats: {
    nothing: true,
    evidence: ({ perlite, fromAbove }) =>
      perlite === 0
        ? -0.9
        : strongest(between(perlite, 0, 0.25), fromAbove === null ? null : fromAbove ? 0.9 : -0.2),
  },
} as const satisfies Record<string, CauseKind>
export type CauseId = keyof typeof CAUSES

/** Which causes speak to which sign, each with how often it is that one, in the order growers think of them [common practice]. */
export const SPEAKS: Readonly<Record<SignId, Readonly<Partial<Record<CauseId, number>>>>> = {
  leggy: { dim: 0.6, tooWarm: 0.35, coverLeftOn: 0.3, overfed: 0.2 },
  fallen: { dampingOff: 0.65, drowned: 0.25, thirsty: 0.15, slugs: 0.15 },
  flies: { gnats: 0.8 },
  'green crust': { algae: 0.75, drowned: 0.2 },
  'white crust': { salts: 0.4, hardWater: 0.4, saltyMix: 0.2, mouldOnTop: 0.15 },
  'pale old': { hungry: 0.5, seedLeavesDone: 0.3, drowned: 0.3, weakFeed: 0.3, movedOut: 0.2 },
  'pale new': { alkaline: 0.4, movedOut: 0.35, drowned: 0.25, cold: 0.25, scorched: 0.2 },
  purple: { cold: 0.55, hungry: 0.25, weakFeed: 0.15 },
  burnt: { strongFeed: 0.4, salts: 0.4, saltyMix: 0.2, thirsty: 0.25, scorched: 0.25 },
  'wilting wet': { rotting: 0.6, noonWilt: 0.25, cold: 0.15 },
  'wilting dry': { thirsty: 0.75, noonWilt: 0.2, dryMix: 0.25, outgrown: 0.2 },
  'sheds water': { dryMix: 0.8 },
  'seed coat': { shallow: 0.6, oldSeed: 0.15 },
  circling: { outgrown: 0.85 },
  'no show': {
    notYet: 0.5,
    coldMix: 0.45,
    oldSeed: 0.3,
    driedOut: 0.3,
    deep: 0.25,
    drownedSeed: 0.25,
    wrongLight: 0.2,
    mice: 0.1,
  },
  eaten: { slugs: 0.45, insects: 0.35, mice: 0.25 },
  spots: { leafSpot: 0.35, drops: 0.3, insects: 0.25, scorched: 0.25, salts: 0.15 },
  curled: { hotDryAir: 0.35, strongFeed: 0.25, insects: 0.3, thirsty: 0.25, cold: 0.15 },
  floating: { floats: 0.85 },
  mould: { mouldOnTop: 0.45, greyMould: 0.4, drowned: 0.2 },
}

export interface Cause {
  readonly id: CauseId
  readonly nothing: boolean
  /** 0–1: how likely, by how often it is that one and by the record. */
  readonly weight: number
  /** Whether the record says anything of it. */
  readonly known: boolean
}

/** The record speaks so clearly against it that it is left out. */
const RULED_OUT = -0.75

/**
 * What the record makes likely for a sign, the likeliest first. How often a sign comes of it is moved by what the record says,
 * towards 1 or towards 0 as strongly as it says it; of what the record knows nothing it stays. What the record speaks clearly
 * against is left out.
 */
export function causesOf(sign: SignId, record: SignRecord): Cause[] {
  return Object.entries(SPEAKS[sign])
    .flatMap(([id, usual]): Cause[] => {
      const cause: CauseKind = CAUSES[id as CauseId]
      const evidence = cause.evidence(record)
      if (evidence !== null && evidence <= RULED_OUT) return []
      const weight =
        evidence === null
          ? usual * 0.7
          : evidence >= 0
            ? usual + (1 - usual) * evidence * 0.9
            : usual * (1 + evidence)
      return [
        {
          id: id as CauseId,
          nothing: cause.nothing ?? false,
          weight,
          known: evidence !== null,
        },
      ]
    })
    .sort((a, b) => b.weight - a.weight)
}
