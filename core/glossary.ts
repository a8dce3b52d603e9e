/** Words of the trade as they are used here, each with what it means. */
export interface Word {
  readonly id: string
  readonly name: string
  readonly means: string
}

const WORDS = {
  schedule: {
    name: 'Schedule',
    means: 'A sowing’s steps from seed to planting out: a row of stages.',
  },
  stage: {
    name: 'Stage',
    means: 'One step of a schedule: a container, a mix and a feed for a number of days.',
  },
  method: {
    name: 'Method',
    means: 'A set of habits, with its reason and its cost. Pick one; change any part of it.',
  },
  flat: {
    name: 'Flat',
    means: 'A standard tray, about 28 × 54 cm. Space is counted in flats.',
  },
  cell: {
    name: 'Cell',
    means: 'One compartment of a tray.',
  },
  'prick out': {
    name: 'Prick out',
    means: 'Move crowded seedlings into cells of their own.',
  },
  'pot up': {
    name: 'Pot up',
    means: 'Move a plant with its root ball into the next larger container.',
  },
  'harden off': {
    name: 'Harden off',
    means: 'Get plants used to sun, wind and cold, a few hours more each day for a week or two.',
  },
  loose: {
    name: 'Loose volume',
    means: 'Mix as it lies in the tub, not pressed. It settles, so it takes more than the tray holds.',
  },
  settling: {
    name: 'Settling',
    means: 'How much a mix sinks when the filled tray is tapped, as a share of its volume.',
  },
  'mixing loss': {
    name: 'Mixing loss',
    means: 'Fine material fills the gaps of coarse: a litre and a litre make less than two.',
  },
  part: {
    name: 'Part',
    means: 'A share of a recipe by volume. Any scoop will do, as long as it is the same one.',
  },
  air: {
    name: 'Air after draining',
    means:
      'The share of a mix that is air once it has been soaked and drained in that container. Roots need it.',
  },
  'wet zone': {
    name: 'Wet zone',
    means: 'The layer at the bottom of a container that stays full of water: as high in a plug as in a pot.',
  },
  ph: {
    name: 'pH',
    means: 'How acid or alkaline a mix is. Most seedlings do best at 5.5 to 6.5.',
  },
  ec: {
    name: 'EC',
    means: 'Electrical conductivity, mS/cm: how salty water, feed or mix is.',
  },
  'mg/L N': {
    name: 'mg/L of nitrogen',
    means: 'How strong a feed is: milligrams of nitrogen per litre, the same number as ppm.',
  },
  dose: {
    name: 'Dose',
    means: 'How much powder or liquid goes into your jug for that strength.',
  },
  flush: {
    name: 'Flush',
    means: 'Water from above until plenty drains through, to wash salts out.',
  },
  'drain-off': {
    name: 'Drainage water',
    means: 'What drains out after watering. Its EC shows what has built up in the mix.',
  },
  mol: {
    name: 'Daily light',
    means: 'mol/m²: all the light a plant gets in a day. Seedlings need about 6 to 12.',
  },
  certainty: {
    name: 'Confidence',
    means: 'In how many of 100 seasons you get at least the plants you want. The spare cells are insurance.',
  },
  germination: {
    name: 'Germination',
    means: 'The share of seed that comes up, from the packet or your own counts.',
  },
  group: {
    name: 'Group of cells',
    means: 'Neighbouring cells of one variety in a tray, with a letter and a label.',
  },
  batch: {
    name: 'Batch',
    means: 'A mix made at one time, with a number, so that every tray can be traced to it.',
  },
  entry: {
    name: 'Entry',
    means: 'Something that happened, with its day. Undone entries stay, struck out.',
  },
  learned: {
    name: 'Your own figure',
    means: 'A standard figure adjusted by what you measured.',
  },
  interval: {
    name: 'Range',
    means: 'A count of a few cells is only an estimate: 19 times in 20 the true figure is in this range.',
  },
  trial: {
    name: 'Trial',
    means: 'Two ways side by side in one tray, with cells assigned at random, so that only the way differs.',
  },
  simulated: {
    name: 'Simulated',
    means: 'Made up by the program, so that you can try it without the device.',
  },
  archive: {
    name: 'Archive',
    means: 'Everything a household keeps, in one file with a readme.',
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
