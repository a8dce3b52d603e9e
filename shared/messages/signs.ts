import type { Cause, CauseId } from '#core/signs/causes'
import type { SignRecord } from '#core/signs/record'
import { printNumber, printShare } from '#core/units/format'
import { pluralOf } from './message'

/* What is behind a sign: what it is called, what to do, what would tell it from the others, and what in the record speaks. */

interface CauseWords {
  readonly name: string
  /** What to do. */
  readonly then: string
  /** What to look at next: what would tell it from the others. */
  readonly look: string
  /** The numbers that speak, in the record. */
  readonly because: (record: SignRecord) => string
}

const n = (value: number | null) => (value === null ? '?' : printNumber(value, 2))
const days = (value: number | null) =>
  value === null ? '?' : `${printNumber(Math.round(value))} ${pluralOf(Math.round(value), 'day')}`
const share = (value: number | null) => (value === null ? '?' : printShare(Math.round(value * 100) / 100))

export const CAUSE_WORDS: Readonly<Record<CauseId, CauseWords>> = {
  hungry: {
    name: 'Hungry',
    then: 'Feed at the band of its stage, from below.',
    look: 'The oldest leaves: hunger pales them first, and evenly.',
    because: ({ daysPastFood }) =>
      daysPastFood !== null && daysPastFood < 0
        ? `the mix feeds for ${days(-daysPastFood)} more`
        : `the mix ran out of food ${days(daysPastFood)} ago`,
  },
  weakFeed: {
    name: 'Fed too weakly',
    then: 'A little stronger at the next watering.',
    look: 'What the last feeds came to, in mg/L.',
    because: ({ lastNMgPerL, band }) =>
      `the last feed was ${n(lastNMgPerL)} mg/L, and this stage likes ${band[0]}–${band[1]}`,
  },
  strongFeed: {
    name: 'Fed too strongly',
    then: 'Water through with plain water, pour off, and wait a week.',
    look: 'Edges and tips of the leaves; how long after a feed it came.',
    because: ({ lastNMgPerL, band }) =>
      `the last feed was ${n(lastNMgPerL)} mg/L, and this stage likes ${band[0]}–${band[1]}`,
  },
  salts: {
    name: 'Salts gathered in the mix',
    then: 'Plain water until it runs through; rain in the can.',
    look: 'The EC of what drains off, or a white rim as it dries.',
    because: ({ ecMsPerCm, ecLimitMsPerCm }) =>
      `the tray comes to ${n(ecMsPerCm)} mS/cm, and ${n(ecLimitMsPerCm)} is the most for this stage`,
  },
  saltyMix: {
    name: 'A salty mix',
    then: 'Less compost or castings in the next batch; water this one through.',
    look: 'Whether everything in that batch shows it, from the beginning.',
    because: ({ saltsMsPerCm }) => `the mix itself holds about ${n(saltsMsPerCm)} mS/cm`,
  },
  drowned: {
    name: 'Roots without air',
    then: 'Let it dry until the tray is light; more perlite or hulls next time.',
    look: 'The roots: brown and soft, or white. And how heavy the tray is.',
    because: ({ air, airLeast, wetDays }) =>
      wetDays !== null
        ? `it stayed wet on ${days(wetDays)} of seven${air === null ? '' : `; drained, ${share(air)} of the cell is air and ${share(airLeast)} is the least`}`
        : `${share(air)} of the cell is air when it has drained, ${share(airLeast)} is the least`,
  },
  rotting: {
    name: 'Roots rotting',
    then: 'Out of the wet, the worst ones away; let the rest dry to light, feed nothing until they grow.',
    look: 'Take one out: brown roots whose skin slips off have rotted.',
    because: ({ wetDays }) => `it stayed wet on ${days(wetDays)} of the last seven`,
  },
  thirsty: {
    name: 'Thirsty',
    then: 'Water from below now, half an hour; look again in two hours.',
    look: 'Lift it: light. It recovers within hours of watering.',
    because: ({ waterGone }) =>
      `${share(waterGone === null ? null : Math.min(1, waterGone))} of the water it can easily have is gone`,
  },
  alkaline: {
    name: 'Too alkaline for iron',
    then: 'Rain in the can; the next leaves tell.',
    look: 'The youngest leaves: pale between veins that stay green.',
    because: ({ ph, alkalinityMgPerL }) =>
      `the mix is at pH ${n(ph)}, alkalinity of the water ${n(alkalinityMgPerL)} mg/L`,
  },
  cold: {
    name: 'Cold: roots take up little, least of all phosphorus',
    then: 'Warmth first; no extra phosphate.',
    look: 'Undersides and stems: purple there first. A thermometer in the mix at dawn.',
    because: ({ coldestC }) => `it goes down to ${n(coldestC)} °C there`,
  },
  dim: {
    name: 'Too little light',
    then: 'Lamp closer, longer hours, or a brighter place.',
    look: 'The lamp’s height, and the light with a hand’s shadow.',
    because: ({ lightMol, lightLeast }) =>
      `its place gives ${n(lightMol)} mol/m² a day, and ${n(lightLeast)} is the least`,
  },
  tooWarm: {
    name: 'Too warm for the light it has',
    then: 'Some degrees cooler by day, cooler still by night; a fan.',
    look: 'The warmth at the leaves under the lamp.',
    because: ({ warmestC }) => `it comes to ${n(warmestC)} °C there`,
  },
  coverLeftOn: {
    name: 'Cover left on after they came up',
    then: 'Dome or film off now, for good.',
    look: 'Whether a dome or film lies on it.',
    because: ({ covered, daysUp }) =>
      covered ? `it is covered, ${days(daysUp)} after they came up` : 'nothing covers it',
  },
  overfed: {
    name: 'Soft from too much nitrogen',
    then: 'Back to the band, and a fan.',
    look: 'Dark, soft, large leaves on a weak stem.',
    because: ({ lastNMgPerL, band }) =>
      `the last feed was ${n(lastNMgPerL)} mg/L, and this stage likes ${band[0]}–${band[1]}`,
  },
  dampingOff: {
    name: 'Damping-off',
    then: 'Take out what fell with the mix around it, dry the surface, give air. Water from below.',
    look: 'The stem at the mix: thin as a thread and brown.',
    because: ({ wetDays, covered }) =>
      `wet on ${wetDays === null ? 'unknown days' : `${days(wetDays)} of seven`}${covered ? ', under a cover' : ''}: a wet surface and still air let the fungi in`,
  },
  gnats: {
    name: 'Fungus gnats, living off a wet surface',
    then: 'Let the surface dry between waterings, water from below; yellow sticky cards show whether it helps.',
    look: 'Lay a slice of raw potato on the mix for two days: larvae gather under it.',
    because: ({ wetDays, living }) =>
      `wet on ${wetDays === null ? '?' : days(wetDays)} of seven, ${share(living)} of the mix is compost or the like`,
  },
  algae: {
    name: 'Algae: light on a surface that stays wet',
    then: 'Harmless by itself. Water from below, let the surface go pale; a veil of vermiculite or grit keeps light off it.',
    look: 'Green and slimy, or velvet: both are only on top.',
    because: ({ wetDays }) => `the tray stayed wet on ${wetDays === null ? '?' : days(wetDays)} of seven`,
  },
  hardWater: {
    name: 'Lime of hard water',
    then: 'Wipe it off or leave it; rain mixed into the can keeps it away.',
    look: 'A drop of vinegar on it: lime fizzes, salts of feed do not.',
    because: ({ alkalinityMgPerL }) => `the water holds ${n(alkalinityMgPerL)} mg/L of alkalinity`,
  },
  mouldOnTop: {
    name: 'Harmless mould on what is alive in the mix',
    then: 'Stir the surface, give air; it goes by itself.',
    look: 'White fluff on the mix, not on stems.',
    because: ({ living }) => `${share(living)} of the mix is compost, castings or the like`,
  },
  greyMould: {
    name: 'Mould on dead or crowded parts',
    then: 'Take off what is dead, thin, a fan; nothing wet overnight.',
    look: 'Grey fur on stems, leaves or seed coats.',
    because: ({ humidity, covered }) =>
      `the air holds ${share(humidity)} of its vapour${covered ? ', under a cover' : ''}`,
  },
  movedOut: {
    name: 'Just moved out: it is nothing',
    then: 'Leave it. A little shade at noon for some days; the next leaves are made for the sun.',
    look: 'Only leaves that were there before; new ones come green.',
    because: ({ daysOutside }) =>
      daysOutside === null ? 'never outside' : `outside for ${days(daysOutside)}`,
  },
  scorched: {
    name: 'Sun or lamp on leaves that are not used to it',
    then: 'Shade or lift the lamp for some days, then more each day.',
    look: 'Bleached or brown patches on the side of the light.',
    because: ({ daysOutside, lightMol, warmestC }) =>
      daysOutside !== null
        ? `outside since ${days(daysOutside)}`
        : `its place gives ${n(lightMol)} mol/m² a day and comes to ${n(warmestC)} °C`,
  },
  seedLeavesDone: {
    name: 'Seed leaves that are done: it is nothing',
    then: 'Leave them: they are emptied and drop.',
    look: 'Only the first, plain pair; the true leaves are green.',
    because: ({ daysUp }) => `they are up since ${days(daysUp)}`,
  },
  noonWilt: {
    name: 'Hot noon: it is nothing',
    then: 'Look again in the evening before you water.',
    look: 'Whether they stand again by evening by themselves.',
    because: ({ warmestC, waterGone }) =>
      `it comes to ${n(warmestC)} °C there, and only ${share(waterGone)} of its easy water is gone`,
  },
  dryMix: {
    name: 'Dry peat sheds water',
    then: 'Soak from below for an hour or two, with a drop of washing-up soap in the water if it must be; then never quite dry.',
    look: 'Water runs off the top and down the sides, and the middle stays dust.',
    because: ({ peat, waterGone }) =>
      `${share(peat)} of the mix is peat, and ${share(waterGone === null ? null : Math.min(1, waterGone))} of its easy water is gone`,
  },
  shallow: {
    name: 'Sown too shallow, or dried on top',
    then: 'Wet the coat with a drop, wait an hour, slip it off with two fingernails. Deeper next time: the mix rubs it off.',
    look: 'How deep the seed lay, and whether the top was dry as it came up.',
    because: ({ depthMm, crop }) => `sown ${n(depthMm)} mm deep, ${n(crop?.depthMm ?? null)} is usual`,
  },
  deep: {
    name: 'Sown too deep',
    then: 'Scratch one free and look. Next time two to three times the seed’s thickness.',
    look: 'A white shoot that never reached the light.',
    because: ({ depthMm, crop }) => `sown ${n(depthMm)} mm deep, ${n(crop?.depthMm ?? null)} is usual`,
  },
  notYet: {
    name: 'Not due yet: it is nothing',
    then: 'Wait, keep it damp and warm.',
    look: 'The day it is expected, on the tray’s page.',
    because: ({ lateness }) => `${share(lateness)} of the days it takes at that warmth have passed`,
  },
  coldMix: {
    name: 'The mix is too cold for it',
    then: 'A mat, or a warmer place; it may still come.',
    look: 'A thermometer in the mix, in the morning.',
    because: ({ mixC, crop }) => `the mix is at ${n(mixC)} °C and it likes ${n(crop?.warmthC ?? null)}`,
  },
  oldSeed: {
    name: 'Old seed',
    then: 'Ten seeds on a damp cloth tell in a week. Sow thicker, or buy.',
    look: 'Whether the same packet came up elsewhere.',
    because: ({ seedYears }) => `the seed is ${n(seedYears)} years old`,
  },
  driedOut: {
    name: 'Dried out while it germinated',
    then: 'Sow again, and keep the surface damp: a cover until the first are up.',
    look: 'The surface: pale and loose on top.',
    because: ({ dryDays, waterGone }) =>
      `dry on ${dryDays === null ? '?' : days(dryDays)} of seven; ${share(waterGone)} of its easy water is gone`,
  },
  drownedSeed: {
    name: 'Too wet while it germinated',
    then: 'Sow again in fresh mix; damp, not wet.',
    look: 'Scratch one free: soft and grey has rotted.',
    because: ({ wetDays }) => `it stayed wet on ${wetDays === null ? '?' : days(wetDays)} of seven`,
  },
  wrongLight: {
    name: 'Covered but needs light, or bare but needs dark',
    then: 'Sow seed that needs light on the surface under a veil of vermiculite; keep seed that needs dark under card until it shows.',
    look: 'What its packet says of light.',
    because: ({ depthMm, crop }) =>
      `it ${crop?.light === 'either' ? 'does not mind' : (crop?.light ?? 'is not known to want')}, and was sown ${n(depthMm)} mm deep`,
  },
  outgrown: {
    name: 'Too long in this container',
    then: 'Move it on now, into the next size; loosen the ring of roots.',
    look: 'Turn one out: a ring of roots round the foot.',
    because: ({ overstayed, roots }) =>
      roots
        ? `roots were ${roots} at the last look`
        : `${share(overstayed)} of its days in this container have passed`,
  },
  slugs: {
    name: 'Slugs or snails',
    then: 'Look by torchlight; a bench on legs, copper or a dry strip round it.',
    look: 'Slime, and edges rasped in curves.',
    because: ({ daysOutside }) => (daysOutside === null ? 'under cover' : `outside for ${days(daysOutside)}`),
  },
  mice: {
    name: 'Mice or birds',
    then: 'A wire or a lid over it; traps by the law of the place.',
    look: 'Seed dug out, stems cut clean, husks beside it.',
    because: ({ daysUp }) =>
      daysUp !== null && daysUp < 0 ? 'seed lies in it still' : `up since ${days(daysUp)}`,
  },
  insects: {
    name: 'Caterpillars, beetles or sucking insects',
    then: 'Undersides of leaves first: pick off, rinse off; whatever is sprayed, by its label.',
    look: 'A lens on the underside: frass, webs, skins.',
    because: ({ daysOutside, daysUp }) =>
      daysOutside === null ? `up since ${days(daysUp)}` : `outside since ${days(daysOutside)}`,
  },
  leafSpot: {
    name: 'A leaf disease, from leaves that stay wet',
    then: 'Take off spotted leaves, thin, water from below in the morning.',
    look: 'Rings, and whether they spread from leaf to leaf.',
    because: ({ fromAbove, humidity }) =>
      `${fromAbove === null ? 'watering unknown' : fromAbove ? 'watered from above' : 'watered from below'}; the air holds ${share(humidity)}`,
  },
  drops: {
    name: 'Drops of hard water or feed: it is nothing',
    then: 'Water the mix, not the leaves.',
    look: 'Round, chalky, and it wipes off.',
    because: ({ alkalinityMgPerL }) => `alkalinity of the water ${n(alkalinityMgPerL)} mg/L`,
  },
  hotDryAir: {
    name: 'Hot, dry air',
    then: 'Cooler, damper, out of the draught of a heater.',
    look: 'Edges roll up along the leaf; worst at noon.',
    because: ({ humidity, warmestC }) =>
      `up to ${n(warmestC)} °C, the air holds ${share(humidity)} of its vapour`,
  },
  floats: {
    name: 'Perlite floats when it is watered hard from above: it is nothing',
    then: 'Water from below, or with a gentle rose; a veil of vermiculite holds it down.',
    look: 'White grains on top, the mix below as before.',
    because: ({ perlite, fromAbove }) =>
      `${share(perlite)} of the mix is perlite${fromAbove ? ', watered from above' : ''}`,
  },
}

/** What speaks for a cause in the record, or that nothing is written down. */
export const sayBecause = ({ id, known }: Pick<Cause, 'id' | 'known'>, record: SignRecord): string =>
  known ? CAUSE_WORDS[id].because(record) : 'no records for or against'
