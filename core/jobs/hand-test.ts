import type { Feel } from '../media/hydration'
import { DAMPNESSES } from '../media/moisture'
import { derive, given, type Figure } from '../working/figure'
import { practice } from '../working/source'
import type { Facts } from './step'

/** How to tell by hand how it stands; each answer says what to do, in amounts for this tub. */
export interface HandTest {
  readonly kind:
    'feel' | 'feel of cake' | 'feel of blocks' | 'cool' | 'dampness' | 'thirst' | 'dark' | 'roots'
  /** What its answer is kept under. */
  readonly key: string
  readonly answers: readonly { readonly id: string; readonly fine: boolean }[]
  readonly values?: Facts
}

const answers = (fine: Readonly<Record<string, boolean>>) =>
  Object.entries(fine).map(([id, is]) => ({ id, fine: is }))

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
export const feelTest = (mixL: Figure, feel: Feel): HandTest => ({
  kind: feel === 'soil block' ? 'feel of blocks' : feel === 'cake' ? 'feel of cake' : 'feel',
  key: 'feel',
  answers: answers({ dry: false, right: true, wet: false }),
  values: {
    splash: part('A splash of water', mixL, SPLASH),
    dry: part('Dry mix to stir in', mixL, DRY),
  },
})

/** Before hands, castings or seed go in. */
export const coolTest: HandTest = { kind: 'cool', key: 'cool', answers: answers({ cool: true, warm: false }) }

/** How damp a bag of ready mix is: how much water to stir in hangs on it. */
export const bagTest: HandTest = {
  kind: 'dampness',
  key: 'dampness',
  answers: DAMPNESSES.map((id) => ({ id, fine: true })),
}

/** Whether a tray wants water, by eye and finger [common practice]. */
export const thirstTest: HandTest = {
  kind: 'thirst',
  key: 'thirst',
  answers: answers({ light: true, middling: true, heavy: false }),
}

/** Whether the water has come up [common practice]. */
export const darkTest: HandTest = { kind: 'dark', key: 'dark', answers: answers({ dark: true, pale: false }) }

/** Roots as they come out of their cell [common practice]. */
export const rootTest: HandTest = {
  kind: 'roots',
  key: 'roots',
  answers: answers({ few: false, holding: true, circling: false }),
}
