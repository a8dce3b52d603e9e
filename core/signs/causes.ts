import { printNumber, printShare } from '../units/format'
import type { SignRecord } from './record'
import type { SignId } from './seen'

/** What may be behind a sign. */
interface CauseKind {
  readonly name: string
  /** What to do. */
  readonly then: string
  /** What to look at next: what would tell it from the others. */
  readonly look: string
  /** Nothing is wrong. */
  readonly nothing?: boolean
  /** −1 where the record speaks against it, 1 where it speaks for it as strongly as it can; null where it says nothing. */
  readonly evidence: (record: SignRecord) => number | null
  /** The numbers that speak, in the record. */
  readonly because: (record: SignRecord) => string
}

const n = (value: number | null) => (value === null ? '?' : printNumber(value, 2))
const days = (value: number | null) =>
  value === null ? '?' : `${printNumber(Math.round(value))} ${Math.round(value) === 1 ? 'day' : 'days'}`
const share = (value: number | null) => (value === null ? '?' : printShare(Math.round(value * 100) / 100))
const clamp = (value: number) => Math.max(-1, Math.min(1, value))
/** From −1 at `no` to 1 at `yes`; null for nothing said. */
const between = (value: number | null, no: number, yes: number): number | null =>
  value === null ? null : clamp((2 * (value - no)) / (yes - no) - 1)
/** The strongest of what is said; null where nothing is. */
const strongest = (...said: (number | null)[]): number | null => {
  const known = said.flatMap((one) => (one === null ? [] : [one]))
  return known.length ? Math.max(...known) : null
}

/** Signs and what is behind them are common practice of growers; the thresholds are those of the parts that reckon them. */
export const CAUSES = {
  hungry: {
    name: 'Hungry',
    then: 'Feed at the band of its stage, from below.',
    look: 'The oldest leaves: hunger pales them first, and evenly.',
    evidence: ({ daysPastFood, lastNMgPerL, daysSinceFed, band }) =>
      lastNMgPerL !== null && daysSinceFed !== null && daysSinceFed < 10 && lastNMgPerL >= band[0]
        ? -0.8
        : between(daysPastFood, -7, 7),
    because: ({ daysPastFood }) =>
      daysPastFood !== null && daysPastFood < 0
        ? `the mix feeds for ${days(-daysPastFood)} more`
        : `the mix ran out of food ${days(daysPastFood)} ago`,
  },
  weakFeed: {
    name: 'Fed too weakly',
    then: 'A little stronger at the next watering.',
    look: 'What the last feeds came to, in mg/L.',
    evidence: ({ lastNMgPerL, band }) => between(lastNMgPerL, band[0], band[0] * 0.4),
    because: ({ lastNMgPerL, band }) =>
      `the last feed was ${n(lastNMgPerL)} mg/L, and this stage likes ${band[0]}–${band[1]}`,
  },
  strongFeed: {
    name: 'Fed too strongly',
    then: 'Water through with plain water, pour off, and wait a week.',
    look: 'Edges and tips of the leaves; how long after a feed it came.',
    evidence: ({ lastNMgPerL, band, daysSinceFed }) =>
      daysSinceFed !== null && daysSinceFed > 21
        ? -0.6
        : between(lastNMgPerL, band[1], Math.max(band[1], 25) * 2),
    because: ({ lastNMgPerL, band }) =>
      `the last feed was ${n(lastNMgPerL)} mg/L, and this stage likes ${band[0]}–${band[1]}`,
  },
  salts: {
    name: 'Salts gathered in the mix',
    then: 'Plain water until it runs through; rain in the can.',
    look: 'The EC of what drains off, or a white rim as it dries.',
    evidence: ({ ecMsPerCm, ecLimitMsPerCm }) =>
      between(ecMsPerCm, ecLimitMsPerCm * 0.6, ecLimitMsPerCm * 1.4),
    because: ({ ecMsPerCm, ecLimitMsPerCm }) =>
      `the tray comes to ${n(ecMsPerCm)} mS/cm, and ${n(ecLimitMsPerCm)} is the most for this stage`,
  },
  saltyMix: {
    name: 'A salty mix',
    then: 'Less compost or castings in the next batch; water this one through.',
    look: 'Whether everything in that batch shows it, from the beginning.',
    evidence: ({ saltsMsPerCm }) => between(saltsMsPerCm, 0.8, 2.5),
    because: ({ saltsMsPerCm }) => `the mix itself holds about ${n(saltsMsPerCm)} mS/cm`,
  },
  drowned: {
    name: 'Roots without air',
    then: 'Let it dry until the tray is light; more perlite or hulls next time.',
    look: 'The roots: brown and soft, or white. And how heavy the tray is.',
    evidence: ({ air, airLeast, wetDays }) =>
      strongest(between(wetDays, 2, 5), between(air, airLeast * 1.6, airLeast * 0.5)),
    because: ({ air, airLeast, wetDays }) =>
      wetDays !== null
        ? `it stayed wet on ${days(wetDays)} of seven${air === null ? '' : `; drained, ${share(air)} of the cell is air and ${share(airLeast)} is the least`}`
        : `${share(air)} of the cell is air when it has drained, ${share(airLeast)} is the least`,
  },
  rotting: {
    name: 'Roots rotting',
    then: 'Out of the wet, the worst ones away; let the rest dry to light, feed nothing until they grow.',
    look: 'Take one out: brown roots whose skin slips off have rotted.',
    evidence: ({ wetDays }) => between(wetDays, 3, 6),
    because: ({ wetDays }) => `it stayed wet on ${days(wetDays)} of the last seven`,
  },
  thirsty: {
    name: 'Thirsty',
    then: 'Water from below now, half an hour; look again in two hours.',
    look: 'Lift it: light. It recovers within hours of watering.',
    evidence: ({ waterGone }) => between(waterGone, 0.35, 0.9),
    because: ({ waterGone }) =>
      `${share(waterGone === null ? null : Math.min(1, waterGone))} of the water it can easily have is gone`,
  },
  alkaline: {
    name: 'Too alkaline for iron',
    then: 'Rain in the can; the next leaves tell.',
    look: 'The youngest leaves: pale between veins that stay green.',
    evidence: ({ ph, alkalinityMgPerL }) =>
      strongest(between(ph, 6.2, 7.5), between(alkalinityMgPerL, 100, 300)),
    because: ({ ph, alkalinityMgPerL }) =>
      `pH of the mix about ${n(ph)}, alkalinity of the water ${n(alkalinityMgPerL)} mg/L`,
  },
  cold: {
    name: 'Cold: roots take up little, least of all phosphorus',
    then: 'Warmth first; no extra phosphate.',
    look: 'Undersides and stems: purple there first. A thermometer in the mix at dawn.',
    evidence: ({ coldestC, crop }) =>
      between(coldestC, Math.max(15, (crop?.lowestNightC ?? 5) + 8), Math.max(7, crop?.lowestNightC ?? 5)),
    because: ({ coldestC }) => `it goes down to ${n(coldestC)} °C there`,
  },
  dim: {
    name: 'Too little light',
    then: 'Lamp closer, longer hours, or a brighter place.',
    look: 'The lamp’s height, and the light with a hand’s shadow.',
    evidence: ({ lightMol, lightLeast }) => between(lightMol, lightLeast * 1.2, lightLeast * 0.6),
    because: ({ lightMol, lightLeast }) =>
      `its place gives ${n(lightMol)} mol/m² a day, and ${n(lightLeast)} is the least`,
  },
  tooWarm: {
    name: 'Too warm for the light it has',
    then: 'Some degrees cooler by day, cooler still by night; a fan.',
    look: 'The warmth at the leaves under the lamp.',
    evidence: ({ warmestC }) => between(warmestC, 22, 30),
    because: ({ warmestC }) => `it comes to ${n(warmestC)} °C there`,
  },
  coverLeftOn: {
    name: 'Cover left on after they came up',
    then: 'Dome or film off now, for good.',
    look: 'Whether a dome or film lies on it.',
    evidence: ({ covered, daysUp }) => (covered === null ? null : covered && (daysUp ?? 0) >= 0 ? 1 : -0.9),
    because: ({ covered, daysUp }) =>
      covered ? `it is covered, ${days(daysUp)} after they came up` : 'nothing covers it',
  },
  overfed: {
    name: 'Soft from too much nitrogen',
    then: 'Back to the band, and a fan.',
    look: 'Dark, soft, large leaves on a weak stem.',
    evidence: ({ lastNMgPerL, band }) => between(lastNMgPerL, band[1] * 1.1, Math.max(band[1], 25) * 2.2),
    because: ({ lastNMgPerL, band }) =>
      `the last feed was ${n(lastNMgPerL)} mg/L, and this stage likes ${band[0]}–${band[1]}`,
  },
  dampingOff: {
    name: 'Damping-off',
    then: 'Take out what fell with the mix around it, dry the surface, give air. Water from below.',
    look: 'The stem at the mix: thin as a thread and brown.',
    evidence: ({ wetDays, daysUp, covered }) =>
      daysUp !== null && daysUp > 28
        ? -0.5
        : strongest(between(wetDays, 1, 4), covered === null ? null : covered ? 0.8 : -0.2),
    because: ({ wetDays, covered }) =>
      `wet on ${wetDays === null ? 'unknown days' : `${days(wetDays)} of seven`}${covered ? ', under a cover' : ''}: a wet surface and still air let the fungi in`,
  },
  gnats: {
    name: 'Fungus gnats, living off a wet surface',
    then: 'Let the surface dry between waterings, water from below; yellow sticky cards show whether it helps.',
    look: 'Lay a slice of raw potato on the mix for two days: larvae gather under it.',
    evidence: ({ wetDays, living }) => strongest(between(wetDays, 1, 4), between(living, 0.05, 0.4)),
    because: ({ wetDays, living }) =>
      `wet on ${wetDays === null ? '?' : days(wetDays)} of seven, ${share(living)} of the mix is compost or the like`,
  },
  algae: {
    name: 'Algae: light on a surface that stays wet',
    then: 'Harmless by itself. Water from below, let the surface go pale; a veil of vermiculite or grit keeps light off it.',
    look: 'Green and slimy, or velvet: both are only on top.',
    evidence: ({ wetDays, fromAbove }) =>
      strongest(between(wetDays, 1, 4), fromAbove === null ? null : fromAbove ? 0.5 : -0.3),
    because: ({ wetDays }) => `the tray stayed wet on ${wetDays === null ? '?' : days(wetDays)} of seven`,
  },
  hardWater: {
    name: 'Lime of hard water',
    then: 'Wipe it off or leave it; rain mixed into the can keeps it away.',
    look: 'A drop of vinegar on it: lime fizzes, salts of feed do not.',
    evidence: ({ alkalinityMgPerL }) => between(alkalinityMgPerL, 100, 250),
    because: ({ alkalinityMgPerL }) => `the water holds ${n(alkalinityMgPerL)} mg/L of alkalinity`,
  },
  mouldOnTop: {
    name: 'Harmless mould on what is alive in the mix',
    then: 'Stir the surface, give air; it goes by itself.',
    look: 'White fluff on the mix, not on stems.',
    nothing: true,
    evidence: ({ living, daysUp }) =>
      living === null ? null : living > 0.08 && (daysUp ?? 0) < 21 ? 0.7 : -0.5,
    because: ({ living }) => `${share(living)} of the mix is compost, castings or the like`,
  },
  greyMould: {
    name: 'Mould on dead or crowded parts',
    then: 'Take off what is dead, thin, a fan; nothing wet overnight.',
    look: 'Grey fur on stems, leaves or seed coats.',
    evidence: ({ humidity, covered }) =>
      strongest(between(humidity, 0.65, 0.9), covered === null ? null : covered ? 0.7 : -0.3),
    because: ({ humidity, covered }) =>
      `the air holds ${share(humidity)} of its vapour${covered ? ', under a cover' : ''}`,
  },
  movedOut: {
    name: 'Just moved out: it is nothing',
    then: 'Leave it. A little shade at noon for some days; the next leaves are made for the sun.',
    look: 'Only leaves that were there before; new ones come green.',
    nothing: true,
    evidence: ({ daysOutside }) =>
      daysOutside === null ? -0.9 : daysOutside <= 5 ? 1 : daysOutside <= 10 ? 0 : -0.8,
    because: ({ daysOutside }) =>
      daysOutside === null ? 'never outside' : `outside for ${days(daysOutside)}`,
  },
  scorched: {
    name: 'Sun or lamp on leaves that are not used to it',
    then: 'Shade or lift the lamp for some days, then more each day.',
    look: 'Bleached or brown patches on the side of the light.',
    evidence: ({ daysOutside, lightMol, warmestC }) =>
      strongest(
        daysOutside === null ? null : daysOutside <= 7 ? 0.7 : -0.6,
        between(lightMol, 18, 30),
        between(warmestC, 28, 36),
      ),
    because: ({ daysOutside, lightMol, warmestC }) =>
      daysOutside !== null
        ? `outside since ${days(daysOutside)}`
        : `its place gives ${n(lightMol)} mol/m² a day and comes to ${n(warmestC)} °C`,
  },
  seedLeavesDone: {
    name: 'Seed leaves that are done: it is nothing',
    then: 'Leave them: they are emptied and drop.',
    look: 'Only the first, plain pair; the true leaves are green.',
    nothing: true,
    evidence: ({ daysUp }) => between(daysUp, 18, 30),
    because: ({ daysUp }) => `they are up since ${days(daysUp)}`,
  },
  noonWilt: {
    name: 'Hot noon: it is nothing',
    then: 'Look again in the evening before you water.',
    look: 'Whether they stand again by evening by themselves.',
    nothing: true,
    evidence: ({ warmestC, waterGone }) =>
      warmestC === null || waterGone === null ? null : warmestC >= 27 && waterGone < 0.4 ? 0.7 : -0.6,
    because: ({ warmestC, waterGone }) =>
      `it comes to ${n(warmestC)} °C there, and only ${share(waterGone)} of its easy water is gone`,
  },
  dryMix: {
    name: 'Dry peat sheds water',
    then: 'Soak from below for an hour or two, with a drop of washing-up soap in the water if it must be; then never quite dry.',
    look: 'Water runs off the top and down the sides, and the middle stays dust.',
    evidence: ({ peat, dryDays, waterGone }) =>
      peat !== null && peat < 0.05 ? -0.7 : strongest(between(dryDays, 0, 2), between(waterGone, 0.7, 1.2)),
    because: ({ peat, waterGone }) =>
      `${share(peat)} of the mix is peat, and ${share(waterGone === null ? null : Math.min(1, waterGone))} of its easy water is gone`,
  },
  shallow: {
    name: 'Sown too shallow, or dried on top',
    then: 'Wet the coat with a drop, wait an hour, slip it off with two fingernails. Deeper next time: the mix rubs it off.',
    look: 'How deep the seed lay, and whether the top was dry as it came up.',
    evidence: ({ depthMm, crop, humidity }) =>
      depthMm !== null && crop
        ? between(depthMm, crop.depthMm, crop.depthMm * 0.4)
        : between(humidity, 0.6, 0.35),
    because: ({ depthMm, crop }) => `sown ${n(depthMm)} mm deep, ${n(crop?.depthMm ?? null)} is usual`,
  },
  deep: {
    name: 'Sown too deep',
    then: 'Scratch one free and look. Next time two to three times the seed’s thickness.',
    look: 'A white shoot that never reached the light.',
    evidence: ({ depthMm, crop }) =>
      depthMm === null || !crop
        ? null
        : between(depthMm, crop.depthMm * 1.2, Math.max(6, crop.depthMm * 2.5)),
    because: ({ depthMm, crop }) => `sown ${n(depthMm)} mm deep, ${n(crop?.depthMm ?? null)} is usual`,
  },
  notYet: {
    name: 'Not due yet: it is nothing',
    then: 'Wait, keep it damp and warm.',
    look: 'The day it is expected, on the tray’s page.',
    nothing: true,
    evidence: ({ lateness }) => between(lateness, 1.3, 0.9),
    because: ({ lateness }) => `${share(lateness)} of the days it takes at that warmth have passed`,
  },
  coldMix: {
    name: 'The mix is too cold for it',
    then: 'A mat, or a warmer place; it may still come.',
    look: 'A thermometer in the mix, in the morning.',
    evidence: ({ mixC, crop }) =>
      mixC === null || !crop ? null : between(mixC, crop.warmthC - 2, crop.warmthC - 9),
    because: ({ mixC, crop }) => `the mix is at ${n(mixC)} °C and it likes ${n(crop?.warmthC ?? null)}`,
  },
  oldSeed: {
    name: 'Old seed',
    then: 'Ten seeds on a damp cloth tell in a week. Sow thicker, or buy.',
    look: 'Whether the same packet came up elsewhere.',
    evidence: ({ seedYears, lateness }) =>
      lateness !== null && lateness < 1.3 ? -0.6 : between(seedYears, 1, 5),
    because: ({ seedYears }) => `the seed is ${n(seedYears)} years old`,
  },
  driedOut: {
    name: 'Dried out while it germinated',
    then: 'Sow again, and keep the surface damp: a cover until the first are up.',
    look: 'The surface: pale and loose on top.',
    evidence: ({ dryDays, waterGone }) => strongest(between(dryDays, 0, 2), between(waterGone, 0.6, 1)),
    because: ({ dryDays, waterGone }) =>
      `dry on ${dryDays === null ? '?' : days(dryDays)} of seven; ${share(waterGone)} of its easy water is gone`,
  },
  drownedSeed: {
    name: 'Too wet while it germinated',
    then: 'Sow again in fresh mix; damp, not wet.',
    look: 'Scratch one free: soft and grey has rotted.',
    evidence: ({ wetDays }) => between(wetDays, 3, 6),
    because: ({ wetDays }) => `it stayed wet on ${wetDays === null ? '?' : days(wetDays)} of seven`,
  },
  wrongLight: {
    name: 'Covered but needs light, or bare but needs dark',
    then: 'Sow seed that needs light on the surface under a veil of vermiculite; keep seed that needs dark under card until it shows.',
    look: 'What its packet says of light.',
    evidence: ({ depthMm, crop }) =>
      !crop || crop.light === 'either' || depthMm === null
        ? crop?.light === 'either'
          ? -0.9
          : null
        : crop.light === 'wants light'
          ? between(depthMm, 2, 6)
          : between(depthMm, 5, 1),
    because: ({ depthMm, crop }) =>
      `it ${crop?.light === 'either' ? 'does not mind' : (crop?.light ?? 'is not known to want')}, and was sown ${n(depthMm)} mm deep`,
  },
  outgrown: {
    name: 'Too long in this container',
    then: 'Move it on now, into the next size; loosen the ring of roots.',
    look: 'Turn one out: a ring of roots round the foot.',
    evidence: ({ roots, overstayed }) =>
      roots === 'circling' ? 1 : roots === 'few' ? -0.9 : between(overstayed, 0.7, 1.3),
    because: ({ overstayed, roots }) =>
      roots
        ? `roots were ${roots} at the last look`
        : `${share(overstayed)} of its days in this container have passed`,
  },
  slugs: {
    name: 'Slugs or snails',
    then: 'Look by torchlight; a bench on legs, copper or a dry strip round it.',
    look: 'Slime, and edges rasped in curves.',
    evidence: ({ wetDays, daysOutside }) =>
      strongest(daysOutside === null ? -0.2 : 0.6, between(wetDays, 2, 5)),
    because: ({ daysOutside }) => (daysOutside === null ? 'under cover' : `outside for ${days(daysOutside)}`),
  },
  mice: {
    name: 'Mice or birds',
    then: 'A wire or a lid over it; traps by the law of the place.',
    look: 'Seed dug out, stems cut clean, husks beside it.',
    evidence: ({ daysUp }) => (daysUp === null ? null : daysUp < 7 ? 0.4 : -0.1),
    because: ({ daysUp }) =>
      daysUp !== null && daysUp < 0 ? 'seed lies in it still' : `up since ${days(daysUp)}`,
  },
  insects: {
    name: 'Caterpillars, beetles or sucking insects',
    then: 'Undersides of leaves first: pick off, rinse off; whatever is sprayed, by its label.',
    look: 'A lens on the underside: frass, webs, skins.',
    evidence: ({ daysOutside, daysUp }) => (daysOutside !== null ? 0.4 : between(daysUp, 5, 40)),
    because: ({ daysOutside, daysUp }) =>
      daysOutside === null ? `up since ${days(daysUp)}` : `outside since ${days(daysOutside)}`,
  },
  leafSpot: {
    name: 'A leaf disease, from leaves that stay wet',
    then: 'Take off spotted leaves, thin, water from below in the morning.',
    look: 'Rings, and whether they spread from leaf to leaf.',
    evidence: ({ fromAbove, humidity }) =>
      strongest(fromAbove === null ? null : fromAbove ? 0.6 : -0.4, between(humidity, 0.6, 0.9)),
    because: ({ fromAbove, humidity }) =>
      `${fromAbove === null ? 'watering unknown' : fromAbove ? 'watered from above' : 'watered from below'}; the air holds ${share(humidity)}`,
  },
  drops: {
    name: 'Drops of hard water or feed: it is nothing',
    then: 'Water the mix, not the leaves.',
    look: 'Round, chalky, and it wipes off.',
    nothing: true,
    evidence: ({ fromAbove, alkalinityMgPerL }) =>
      fromAbove === false ? -0.8 : strongest(fromAbove ? 0.2 : null, between(alkalinityMgPerL, 120, 300)),
    because: ({ alkalinityMgPerL }) => `alkalinity of the water ${n(alkalinityMgPerL)} mg/L`,
  },
  hotDryAir: {
    name: 'Hot, dry air',
    then: 'Cooler, damper, out of the draught of a heater.',
    look: 'Edges roll up along the leaf; worst at noon.',
    evidence: ({ humidity, warmestC }) => strongest(between(humidity, 0.5, 0.25), between(warmestC, 26, 34)),
    because: ({ humidity, warmestC }) =>
      `up to ${n(warmestC)} °C, the air holds ${share(humidity)} of its vapour`,
  },
  floats: {
    name: 'Perlite floats when it is watered hard from above: it is nothing',
    then: 'Water from below, or with a gentle rose; a veil of vermiculite holds it down.',
    look: 'White grains on top, the mix below as before.',
    nothing: true,
    evidence: ({ perlite, fromAbove }) =>
      perlite === 0
        ? -0.9
        : strongest(between(perlite, 0, 0.25), fromAbove === null ? null : fromAbove ? 0.9 : -0.2),
    because: ({ perlite, fromAbove }) =>
      `${share(perlite)} of the mix is perlite${fromAbove ? ', watered from above' : ''}`,
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
  readonly name: string
  /** The numbers that speak for it, or that nothing is written down. */
  readonly because: string
  readonly then: string
  readonly look: string
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
          name: cause.name,
          because: evidence === null ? 'no records for or against' : cause.because(record),
          then: cause.then,
          look: cause.look,
          nothing: cause.nothing ?? false,
          weight,
          known: evidence !== null,
        },
      ]
    })
    .sort((a, b) => b.weight - a.weight)
}
