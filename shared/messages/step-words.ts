import { COOL_ENOUGH_C } from '#core/media/hot-water'
import type { Feel } from '#core/media/hydration'
import type { HandTest } from '#core/jobs/hand-test'
import type { PieceKind, StepKind } from '#core/jobs/step'

/* The words of every step at the bench, of what is put into them, and of tests by hand; `steps.ts` puts the facts in. */

/** A step as templates in ICU message syntax. */
export interface Words {
  readonly title: string
  readonly say: string
  readonly amount?: string
  readonly right?: string
  readonly waitFor?: string
  readonly asks?: Readonly<Record<string, string>>
}
const TAP = 'Tap for each.'
const PLANTS = '{plants, plural, one {# plant} other {# plants}}'
export const STEPS: Readonly<Record<StepKind, Words>> = {
  wash: {
    title: 'Wash trays and tools',
    say: 'Brush off what sticks, then warm water and washing-up liquid, and rinse. Dirt shields what a disinfectant should reach: this step does most of the work.',
  },
  disinfect: {
    title: 'Disinfect them',
    say: 'Peroxide or bleach as its own label says, never both and never with another cleaner; gloves, eyes, an open window. Rinse and let dry. Worth it after damping-off; for trays that grew well, washing is as good a habit.',
    waitFor: 'Disinfect them',
  },
  'scald tools': {
    title: 'Scald tools and anything heatproof',
    say: 'Boiling water over metal, glass and thick plastic; thin trays warp. Kills what lives on them, and is habit rather than need where they were washed.',
  },
  dry: {
    title: 'Rinse and dry',
    say: 'Rinse until nothing smells, and let them dry in the air, upside down.',
    right: 'no film, no smell, no earth in the corners',
  },
  soak: {
    title: 'Soak the coir{hot, select, no {} other { in boiling water}}',
    say: '{dry} of dry coir into {water}{hot, select, no { of water, in a tub of at least } other { of boiling water, in a heatproof tub of at least }}{tub}. {whole}Pour most of it, let it swell, add the rest only where fibre stays dry. {hot, select, no {Break it up.} now {Break it up with a spoon; go on while it is hot.} other {Break it up with a spoon and cover it. {comesTo} Only then the rest goes in.}}',
    amount: '{water}{hot, select, no { of water} other { boiling}}',
    right: 'no dry fibre left in the middle, and no water standing on it',
    waitFor: '{hot, select, cools {Coir has cooled} other {Coir has swollen}}',
    asks: { coirG: 'Dry coir that was soaked', fibreL: 'It came to, loosened' },
  },
  sieve: {
    title: 'Sieve through {mesh}',
    say: '{sieved} What stays behind fills the foot of big pots.',
  },
  moisten: {
    title: 'Moisten',
    say: 'Dry peat and dry bagged mix a little, and leave them to take it up: once stirred in dry, they shed water.',
  },
  measure: {
    title:
      '{times, plural, =0 {{into, select, tub {Measure into the tub} upper {Measure the upper mix into a tub} other {Measure the lower mix into a tub}}} other {Measure into {into, select, tub {the tub} upper {the upper mix} other {the lower mix}}, # times}}',
    say: '{measured}.{extras}',
    amount: '{mix} of mix',
  },
  'hot water': {
    title: 'Hot water',
    say: 'Boiling water over it in small amounts, stirred with a spoon, never a hand: {water}, beside what the coir took. Cover it. {comesTo}',
    amount: '{water} boiling',
    waitFor: 'The mix has cooled',
  },
  alive: {
    title: 'Once it has cooled, what is alive',
    say: '{later, select, yes {{measured}.} other {}}{extras}',
  },
  stir: {
    title: 'Stir',
    say: 'Until no streak is left, in a tub of at least {tub}{goes, select, yes { or in as many goes.} other {.}}{wet, select, hot {} yes { Stir in about {water} of water, a little at a time.} other { It needs no more water.}} It should feel like {feelWords}.',
    amount: '{wet, select, yes {{water} of water} other {}}',
    right:
      '{feelKind, select, block {spread, it holds its edge; tipped off a trowel, it slides in one piece; a trial block stands when nudged} other {squeezed, a ball and no drip; tapped, it breaks in two or three; pressed flat, no shine}}',
    asks: { waterL: 'Water really stirred in', mixedL: 'In the tub now, levelled' },
  },
  fill: {
    title: 'Fill {what}',
    say: '{otherFeel, select, yes {Make this part like {feelWords}. } other {}}{layers}{loose}{block, select, yes { in all. Press, and release onto a tray.} other { in all. Fill loosely, drop the tray twice, refill what sank, level.}}{cover}',
    amount: '{loose}',
    right:
      '{block, select, yes {the block holds together and keeps its edges} other {level, springy under a finger, and full in the corners too}}',
    asks: { filled: 'Really filled, {tray, select, yes {cells} other {of them}}' },
  },
  'fill many': { title: 'Fill {n} kinds of container', say: '{fills}' },
  left: {
    title: 'What is left in the tub?',
    say: 'Level it and read it, or count scoops. Covered and damp it keeps some days.',
    asks: { leftL: 'Left in the tub' },
  },
  'half fill': { title: 'Half fill the {vessel}', say: 'With water; it holds {holds}.' },
  dose: {
    title: 'Measure the feed',
    say: '{dose} of {feed}. Stir until it is gone, then top up with water to {holds}.',
    amount: '{dose}',
  },
  stock: {
    title: 'Make a stock solution',
    say: '{making} of {feed}, made up with water to {stock}. Shake. Label it with name, strength and date; it keeps {days} days, dark and cool.',
    amount: '{making}',
  },
  dilute: {
    title: 'Dilute it once more',
    say: '{taking} of the stock, made up with water to {to}. Shake.',
  },
  'dose stock': {
    title: 'Dose the stock',
    say: '{dose} of the {second, select, yes {second dilution} other {stock}}, then top up with water to {holds}: the stock is part of it. Stir.',
    amount: '{dose}',
  },
  give: {
    title: 'Give it from below',
    say: 'Into the solid tray under the cells, a quarter of their depth. Pour off what is left after the wait.',
    waitFor: 'Pour off the feed',
    asks: { givenL: 'Really given', backL: 'Came back' },
  },
  'label tray': {
    title: 'Label {tray} first',
    say: '{labels, plural, one {Before a seed is out of its packet.} other {# labels, before a seed is out of its packet.}} Pencil or garden marker; plain marker fades.{labels, plural, one {} other { Mark the edge between look-alikes.}}',
    right: 'each group has its own label, at its first cell',
  },
  dent: {
    title: 'Dent for {name}',
    say: '{cells} of {tray}: a dent {depth} deep, {finger}.',
    amount: '{depth}',
    right: 'dents of one depth, so that all come up together',
  },
  sow: {
    title: 'Sow {name}',
    say: '{each, plural, one {# seed} other {# seeds}} in each of {cells}: {all, number} in all. {surface, select, yes {Press them on, do not bury them.} other {}}',
    amount: '{each, plural, one {# seed} other {# seeds}} × {n}',
    right: 'no cell missed: go row by row from the marked corner',
  },
  cover: {
    title: '{veil, select, yes {A veil over {name}} other {Cover {name}}}',
    say: '{surface, select, yes {It needs light or is too fine to bury: leave it bare, or a veil of vermiculite.} other {Fill the dents with {material}, {depth} of it, and level. Do not press.}}',
    right: '{surface, select, yes {seed still to be seen} other {no seed to be seen, and the surface loose}}',
  },
  'soak tray': {
    title: 'Water {tray}',
    say: 'From below, into the solid tray, about {drinks} and a little over; leave it until the surface is dark, then pour off.',
    amount: '{drinks}',
    waitFor: 'Pour off {tray}',
    asks: { litres: 'Into the tray, less what came back' },
  },
  'place tray': {
    title: '{tray} to its place',
    say: 'To {place}{cover, select, none {, without a cover.} other {, under its {cover}.}}{heated, select, yes { The mix is kept at {heat}.} other {}}{up, plural, =0 {} other { Look after {look, plural, one {# day} other {# days}}; up in about {up, plural, one {# day} other {# days}}.}}',
  },
  'label new': {
    title: 'Label first',
    say: '{name}, and today’s date, on the label of each new tray, before the first is lifted.',
  },
  ready: {
    title: 'Ready {containers, plural, one {{aContainer}} other {# × {container}}}',
    say: '{holes, plural, one {# hole} other {# holes}}, wide enough for the roots to hang straight.',
    amount: '{holes, plural, one {# hole} other {# holes}}',
    right: 'mix damp, level and not pressed',
  },
  roots: { title: 'Look at the roots', say: 'Push one out from below and look.' },
  move: {
    title: '{pricked, select, yes {Lift and set {name}} other {Pot up {name}}}',
    say: `{pricked, select, yes {Hold a seed leaf, never the stem; ease the roots up with a pencil.} other {Push it out from below.}} {bury, select, yes {Set it deep, up to its seed leaves: it roots from its stem.} other {Set it as deep as it stood: buried, it rots.}} {each, plural, one {} other {# in each. }}Firm with two fingers, no harder than a page is held. ${TAP}`,
    amount: PLANTS,
    right: 'a gentle tug on a leaf does not lift it',
  },
  settle: {
    title: 'Water it in',
    say: 'A gentle rose until the mix has closed round the roots{fed, select, yes {, with a weak feed of {strength} of nitrogen} other {}}.',
  },
  shade: { title: 'To {place}', say: 'Out of strong light for two days; upright again by the third.' },
  'label plants': {
    title: 'Label first',
    say: '{name} and today’s date, on {labels, plural, one {# label} other {# labels}}.',
  },
  'fill to line': {
    title: 'Fill {plants} × {container} to the line',
    say: 'To {rim} below the rim, dropped once, not pressed.',
    amount: '{plants} ×',
  },
  'feed hole': {
    title: 'Food into the hole',
    say: 'A hole two hands wide. Into each: {castings} of castings and {granular} of granular feed, no more than its label allows; worked into the mix, a finger of plain mix over it.',
    amount: '{castings} + {granular}',
    right: 'no grain touches a root',
  },
  'set in': {
    title: 'Set {name} in',
    amount: PLANTS,
    say: `Well watered before. Loosen circling roots. Firm it in. ${TAP}`,
  },
  stake: {
    title: 'Stake it now',
    say: 'Now, while it hurts no root; a loose eight of string. A cap on the tip of a stake saves an eye.',
  },
  mulch: {
    title: 'Mulch, and water',
    say: '{mulch} of straw, leaf or bark, not against the stem; water until it runs out below.',
  },
  'place out': { title: 'To {place}', say: 'Level, and out of the wind for the first days.' },
  'fill can': {
    title: 'Fill the can',
    say: '{all} in all, as warm as the room: cold water checks roots.{several, select, yes { It takes more than one can.} other {}}',
    amount: '{all}',
  },
  water: {
    title: '{tray}, {what}',
    say: '{place}. {how, select, below {{pour} into the solid tray{stands}; it drinks about {drinks}, about {back} comes back.} mist {A mist until the surface shines, about {pour}.} other {A gentle rose, about {pour}, until it begins to run out below.}} {whyWords}',
    amount: '{pour}',
    waitFor: 'Pour off {tray}',
    asks: { litres: 'Poured in', backL: 'Poured off again', grams: 'Weighed after, with its saucer' },
  },
}

export const PIECES: Readonly<Record<PieceKind, string>> = {
  'whole packs': 'Or it whole: {packs} into {water} gives {fibre}. ',
  'comes to':
    'The middle comes to about {reaches} and is below {cool} after about {hours}; a thermometer, or the back of a hand held to it, decides.',
  sieved:
    '{bag} of {material} gives {loose}; {stays} stays on the sieve{perlite, select, yes {, {lost} of it perlite: as much vermiculite or perlite puts the air back.} other {.}}',
  scoops: '{scoops} {material} ({litres})',
  litres: '{litres} {material}',
  extra: ' {mass} ({volume}) {material}{inAll, select, yes { in all} other {}}.',
  containers: '{count} × {container}',
  'cells of': '{cells, plural, one {# cell} other {# cells}} of {aContainer}',
  'fill of': '{what} {layers}{loose}{cover}',
  layers: '{lower} of the lower mix first, then {top} of the upper: ',
  'cover with': ' Leave {depth} free; after sowing cover with {cover} of {material}.',
  'cover with mix': ' Leave {depth} free; after sowing cover with {cover} of the mix.',
  stands: ', {stands} high at first',
}

interface TestWords {
  readonly question: string
  readonly answers: Readonly<Record<string, readonly [name: string, say: string]>>
}
const feel = (question: string, dry: string, right: string, wet: string): TestWords => ({
  question,
  answers: {
    dry: [dry, '{splash} more water, stirred in; then squeeze again.'],
    right: [right, 'That is right.'],
    wet: [wet, '{dry} of dry mix, or spread it out for an hour; then squeeze again.'],
  },
})
export const TESTS: Readonly<Record<HandTest['kind'], TestWords>> = {
  feel: feel('Squeeze a handful', 'falls apart', 'a ball, and no drip', 'drips'),
  'feel of cake': feel(
    'Squeeze a handful',
    'falls apart',
    'moist cake: a ball, a drop or two',
    'water runs through the fingers',
  ),
  'feel of blocks': feel(
    'Spread it with a trowel',
    'crumbles',
    'peanut butter: it holds its edge',
    'runs like batter',
  ),
  cool: {
    question: `Below ${COOL_ENOUGH_C} °C in the middle?`,
    answers: {
      cool: ['cool to the touch', 'What is alive may go in.'],
      warm: ['still warm', 'Stir once with a spoon, cover it, and wait another half an hour.'],
    },
  },
  dampness: {
    question: 'How damp is the bag?',
    answers: {
      dusty: ['dusty: it blows about', 'The water to stir in follows.'],
      damp: ['damp: it holds for a moment', 'The water to stir in follows.'],
      wet: ['wet: it sticks to the hand', 'The water to stir in follows.'],
    },
  },
  thirst: {
    question: 'Lift it, look, scratch',
    answers: {
      light: ['light, pale, dry beneath', 'Water it.'],
      middling: ['pale, but damp beneath', 'Half of the water, or wait a day.'],
      heavy: ['heavy and dark', 'Leave it: skip this tray today.'],
    },
  },
  dark: {
    question: 'Is the surface dark all over?',
    answers: {
      dark: ['dark all over', 'Pour off what is left.'],
      pale: ['pale in places', 'Ten minutes more; where it stays pale, a little from above.'],
    },
  },
  roots: {
    question: 'How are the roots?',
    answers: {
      few: ['few: the mix falls off', 'Early: leave the rest some days more, if they may stand.'],
      holding: ['they hold the mix', 'That is the moment.'],
      circling: ['circling', 'Late: loosen them with a finger. The next such sowing is potted up earlier.'],
    },
  },
}

/** What the hand feels. */
export const FEEL_WORDS: Readonly<Record<Feel, string>> = {
  damp: 'a damp cloth',
  'wrung-out sponge': 'a wrung-out sponge',
  cake: 'moist cake',
  'soil block': 'peanut butter',
}

/** Why a tray is watered in a way. */
export const WHY_SO: Readonly<Record<string, string>> = {
  'big container': 'A big container is watered from above until it runs out below.',
  'not up': 'Until it is up a mist keeps the surface damp and moves no seed.',
  'just up': 'A gentle rose, until the dents have settled round the stems.',
  up: 'From below: stems and leaves stay dry.',
}
