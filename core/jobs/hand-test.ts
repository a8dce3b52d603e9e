import { COOL_ENOUGH_C } from '../media/hot-water'
import type { Feel } from '../media/hydration'
import { DAMPNESSES } from '../media/moisture'
import { derive, given, type Figure } from '../working/figure'
import { practice } from '../working/source'
import type { Sentence } from './sentence'

/** How to tell by hand how it stands; each answer says what to do, in amounts for this tub. */
export interface HandTest {
  readonly key: string
  readonly question: string
  readonly answers: readonly {
    readonly id: string
    readonly name: string
    readonly fine: boolean
    readonly say: Sentence
  }[]
}

/** Of the mix: a splash of water where it is too dry, dry stuff where it is too wet [common practice]. */
const SPLASH = 0.03
const DRY = 0.1

const part = (name: string, mixL: Figure, share: number) =>
  derive(
    name,
    'L',
    'V * k',
    { V: mixL, k: given(name, share, 'share', practice('by the handful')) },
    ({ V, k }) => V * k,
  )

/** Squeeze a handful; a mix for blocks is spread and pressed instead [common practice]. */
export function feelTest(mixL: Figure, feel: Feel): HandTest {
  const [splash, dry] = [part('A splash of water', mixL, SPLASH), part('Dry mix to stir in', mixL, DRY)]
  const names: readonly [string, string, string, string] =
    feel === 'soil block'
      ? ['Spread it with a trowel', 'crumbles', 'peanut butter: it holds its edge', 'runs like batter']
      : feel === 'cake'
        ? [
            'Squeeze a handful',
            'falls apart',
            'moist cake: a ball, a drop or two',
            'water runs through the fingers',
          ]
        : ['Squeeze a handful', 'falls apart', 'a ball, and no drip', 'drips']
  return {
    key: 'feel',
    question: names[0],
    answers: [
      {
        id: 'dry',
        name: names[1],
        fine: false,
        say: [splash, ' more water, stirred in; then squeeze again.'],
      },
      { id: 'right', name: names[2], fine: true, say: ['That is right.'] },
      {
        id: 'wet',
        name: names[3],
        fine: false,
        say: [dry, ' of dry mix, or spread it out for an hour; then squeeze again.'],
      },
    ],
  }
}

/** What right looks like, in three ways of telling [common practice]. */
export const rightFeel = (feel: Feel): string =>
  feel === 'soil block'
    ? 'spread, it holds its edge; tipped off a trowel, it slides in one piece; a trial block stands when nudged'
    : 'squeezed, a ball and no drip; tapped, it breaks in two or three; pressed flat, no shine'

/** Before hands, castings or seed go in. */
export const coolTest: HandTest = {
  key: 'cool',
  question: `Below ${COOL_ENOUGH_C} °C in the middle?`,
  answers: [
    { id: 'cool', name: 'cool to the touch', fine: true, say: ['What is alive may go in.'] },
    {
      id: 'warm',
      name: 'still warm',
      fine: false,
      say: ['Stir once with a spoon, cover it, and wait another half an hour.'],
    },
  ],
}

/** How damp a bag of ready mix is: how much water to stir in hangs on it. */
export const bagTest: HandTest = {
  key: 'dampness',
  question: 'How damp is the bag?',
  answers: DAMPNESSES.map((id) => ({
    id,
    name: {
      dusty: 'dusty: it blows about',
      damp: 'damp: it holds for a moment',
      wet: 'wet: it sticks to the hand',
    }[id],
    fine: true,
    say: ['The water to stir in follows.'],
  })),
}

/** Whether a tray wants water, by eye and finger [common practice]. */
export const thirstTest: HandTest = {
  key: 'thirst',
  question: 'Lift it, look, scratch',
  answers: [
    { id: 'light', name: 'light, pale, dry beneath', fine: true, say: ['Water it.'] },
    {
      id: 'middling',
      name: 'pale, but damp beneath',
      fine: true,
      say: ['Half of the water, or wait a day.'],
    },
    { id: 'heavy', name: 'heavy and dark', fine: false, say: ['Leave it: skip this tray today.'] },
  ],
}

/** Whether the water has come up [common practice]. */
export const darkTest: HandTest = {
  key: 'dark',
  question: 'Is the surface dark all over?',
  answers: [
    { id: 'dark', name: 'dark all over', fine: true, say: ['Pour off what stands.'] },
    {
      id: 'pale',
      name: 'pale in places',
      fine: false,
      say: ['Ten minutes more; where it stays pale, a little from above.'],
    },
  ],
}

/** Roots as they come out of their cell [common practice]. */
export const rootTest: HandTest = {
  key: 'roots',
  question: 'How are the roots?',
  answers: [
    {
      id: 'few',
      name: 'few: the mix falls off',
      fine: false,
      say: ['Early: leave the rest some days more, if they may stand.'],
    },
    { id: 'holding', name: 'they hold the mix', fine: true, say: ['That is the moment.'] },
    {
      id: 'circling',
      name: 'circling',
      fine: false,
      say: ['Late: loosen them with a finger. The next such sowing is potted up earlier.'],
    },
  ],
}
