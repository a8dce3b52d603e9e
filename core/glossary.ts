/** Words of the trade as they are used here, each explained where it is first met. */
export interface Word {
  readonly id: string
  readonly name: string
  readonly means: string
}

const WORDS = {
  schedule: {
    name: 'Schedule',
    means: 'The way of a sowing from seed to planting out: a row of stages.',
  },
  stage: {
    name: 'Stage',
    means: 'One stretch of a schedule: a container, a mix and a feed for a while.',
  },
  method: {
    name: 'Method',
    means:
      'A set of habits growers hold to, with a reason and a cost. You pick one; any of it can be kept otherwise.',
  },
  flat: {
    name: 'Flat',
    means: 'The standard tray, about 28 × 54 cm. Room is counted in flats.',
  },
  cell: { name: 'Cell', means: 'One hollow of a tray, with its own plug of mix.' },
  'prick out': {
    name: 'Prick out',
    means: 'Lift seedlings from where they were sown thickly, and give each its own cell.',
  },
  'pot up': { name: 'Pot up', means: 'Move a plant with its ball of roots into the next larger container.' },
  'harden off': {
    name: 'Harden off',
    means: 'Get plants used to sun, wind and cold, a few hours more each day for a week or two.',
  },
  loose: {
    name: 'Loose litres',
    means:
      'Mix as it lies in the tub, not pressed. It settles in the tray, so more goes in than the tray holds.',
  },
  settling: {
    name: 'Settling',
    means: 'How much a mix sinks when the filled tray is tapped, as a share of its volume.',
  },
  'mixing loss': {
    name: 'Mixing loss',
    means: 'Fine material falls into the gaps of coarse: a litre and a litre give less than two.',
  },
  part: {
    name: 'Part',
    means: 'A share of a recipe by volume. Three parts and one part are four; the scoop is yours.',
  },
  air: {
    name: 'Air after draining',
    means:
      'The share of a mix that is air once it is soaked and has drained, in that very container: roots breathe it.',
  },
  'wet zone': {
    name: 'Wet zone',
    means: 'The layer at the bottom of a container that stays full of water, as high in a plug as in a pot.',
  },
  ph: { name: 'pH', means: 'Sour or sweet: most seedlings like a mix of 5.5 to 6.5.' },
  ec: {
    name: 'EC',
    means: 'Electrical conductivity, mS/cm: how salty water, feed or mix is. Pure water has none.',
  },
  'mg/L N': {
    name: 'mg/L of nitrogen',
    means:
      'How strong a feed is: milligrams of nitrogen in a litre of it. The only measure that compares two bottles.',
  },
  dose: { name: 'Dose', means: 'How much powder or liquid goes into your jug for that strength.' },
  leach: { name: 'Leach', means: 'Water from above until much runs through, to wash salts out.' },
  'drain-off': {
    name: 'Drain-off',
    means: 'What runs out below after watering. Its EC says what has gathered in the mix.',
  },
  mol: {
    name: 'Light of a day',
    means:
      'mol/m²: all the light that falls on a plant in a day. Seedlings want about 6 to 12, plants before they go out more.',
  },
  certainty: {
    name: 'How sure',
    means:
      'In so many seasons of a hundred there are at least the plants you want; the rest of the cells is insurance.',
  },
  germination: {
    name: 'Germination',
    means: 'The share of seed that comes up, on the packet or by your own counts.',
  },
  group: {
    name: 'Group of cells',
    means: 'Neighbouring cells of one crop and variety in a tray, with a letter and a label.',
  },
  batch: {
    name: 'Batch',
    means: 'One making of a mix, with a number: what it filled can be traced back to it.',
  },
  entry: {
    name: 'Entry',
    means: 'Something that happened, with its day. Entries are only added; one taken back stays, struck out.',
  },
  learned: {
    name: 'Learned',
    means: 'A figure of the book, weighed against what your own bench measured.',
  },
  interval: {
    name: 'Lies within',
    means:
      'A count of a few cells is never the whole truth: 19 times in 20 the real figure lies in this range.',
  },
  trial: {
    name: 'Trial',
    means: 'Two ways side by side in one tray, the cells dealt by lot, so that nothing but the way differs.',
  },
  simulated: {
    name: 'Simulated',
    means: 'Made up by the program, so that you can try it without the device.',
  },
  archive: {
    name: 'Archive',
    means: 'Everything a household keeps, in one file that says itself how to read it.',
  },
} as const satisfies Record<string, Omit<Word, 'id'>>

export type WordId = keyof typeof WORDS
/**
 * @example wordById('damping-off').id // 'damping-off'
 */
export const wordById = (id: WordId): Word => ({ id, ...WORDS[id] })
/** All of them, by name. */
export const GLOSSARY: readonly Word[] = (Object.keys(WORDS) as WordId[])
  .map(wordById)
  .sort((a, b) => a.name.localeCompare(b.name, 'en'))
