import { CAUTION_IDS, cautionsOf, type CautionId } from '#core/cautions/caution'

/** What can hurt someone, in the words that stand where the hazard arises. */
export interface Caution {
  readonly id: CautionId
  readonly title: string
  readonly text: string
}

/* A product's own label, local codes and licensed advice come first [common practice]. */
const CAUTIONS: Readonly<Record<CautionId, Omit<Caution, 'id'>>> = {
  dust: {
    title: 'Dust',
    text: 'Dry perlite, vermiculite, peat, coir, lime and rock dust irritate lungs and eyes. Wet them before stirring, open a window, wear a dust mask.',
  },
  asbestos: {
    title: 'Old vermiculite',
    text: 'Old attic or unlabelled vermiculite may hold asbestos. Use only labelled horticultural vermiculite.',
  },
  microbes: {
    title: 'Living materials',
    text: 'Compost, castings, manure and potting mix can carry bacteria and moulds, Legionella among them. Do not breathe the air of a fresh bag. Wear gloves and wash your hands; people at risk should leave this to others.',
  },
  scald: {
    title: 'Boiling water',
    text: 'A heatproof tub, a spoon and never a hand, small amounts at a time, children and pets out of the room. Wait until it is cool to the touch before hands or seed.',
  },
  cleaners: {
    title: 'Cleaners',
    text: 'The product’s own label is the instruction. Never mix cleaners: bleach with an acid or with another cleaner gives off poisonous gas. Gloves, eye protection, an open window.',
  },
  salts: {
    title: 'Salts',
    text: 'Much compost or castings in a seed mix holds more salts than germinating seed likes. Test a few cells first.',
  },
  fertiliser: {
    title: 'Feed',
    text: 'The label is the instruction: never stronger than it says. Keep feed and stock solutions labelled and away from children and pets. Do not pour leftovers into drains or water courses; follow local rules on nutrients.',
  },
  concentrates: {
    title: 'Stock solutions',
    text: 'Never put calcium into one concentrate with sulphates or phosphates: they set to grit. Gloves and eye protection when handling concentrate.',
  },
  homeBrew: {
    title: 'Organic liquids',
    text: 'Strength varies from bottle to bottle. Keep it off leaves that will be eaten soon, and discard what smells wrong.',
  },
  electricity: {
    title: 'Electricity beside water',
    text: 'A residual-current device, rated fittings, a drip loop in each cable, a thermostat on the mat. Dry hands at plugs; what is damaged goes to a licensed electrician.',
  },
  lifting: {
    title: 'Heavy when it is wet',
    text: 'A wet container weighs far more than a dry one. Fill it where it will stand, or lift it with two, from the knees.',
  },
  aboveLabel: {
    title: 'Above the label rate',
    text: 'This dose is stronger than the label allows. Choose a weaker strength.',
  },
}

/**
 * Cautions in words, each once.
 *
 * @param said in the household's measures and English; as they are written where nobody is asked
 */
export const sayCautions = (ids: Iterable<CautionId>, said = (text: string) => text): Caution[] =>
  cautionsOf(ids).map((id) => ({ id, title: said(CAUTIONS[id].title), text: said(CAUTIONS[id].text) }))

export const ALL_CAUTIONS: readonly Caution[] = sayCautions(CAUTION_IDS)
