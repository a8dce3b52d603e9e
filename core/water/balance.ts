import { nitrogenWantedMg, type Appetite } from '../media/food'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, handbook, standard, type Source } from '../working/source'
import { wetSurfaceFigure, wetSurfaceLoss, type Climate } from './evaporation'
import { leafCover, type Stand } from './plant-stand'
import { GONE_WHEN_WATERED } from '../feed/drink'
import type { TrayStore } from './tray-store'

/*
 * The balance of a tray: water, salts and nitrogen go in and come out, and nothing is lost on the way.
 */

/** The store in plain numbers, as the balance uses it. */
export interface Store {
  readonly capacityL: number
  readonly easyL: number
  readonly floorL: number
}
/**
 * @example plainStore({ capacityL: { value: 2 }, easyL: { value: 1 }, floorL: 0.3 }) // ({ capacityL: 2, easyL: 1, floorL: 0.3 })
 */
export const plainStore = ({ capacityL, easyL, floorL }: TrayStore): Store => ({
  capacityL: capacityL.value,
  easyL: easyL.value,
  floorL,
})

/** What is in the mix. */
export interface Contents {
  readonly waterL: number
  /** Salts, as the EC they give a litre: mS/cm · L. What the water leaves behind stays here. */
  readonly salts: number
  /** Nitrogen plants can take up, mg. */
  readonly nitrogenMg: number
}

/** What a tray stands in while it dries. */
export interface Conditions {
  readonly climate: Climate & { readonly mixAboveC?: number }
  /** A dome or film lies over it. */
  readonly covered: boolean
  readonly stand: Stand
  /** Days since the plants came up; below 0 before. */
  readonly daysUp: number
  readonly appetite: Appetite
  /** The tray’s own thirst against what is computed: 1 by default. */
  readonly factor: number
}

/** A dome or film takes nine tenths of the loss away [handbook, reference: watering by weight]. */
const UNDER_COVER = 0.1
/** Leaves reach over the edge and into moving air: a closed canopy against a wet surface [default; FAO-56 has up to 1.2]. */
const CANOPY = 1.1
/** A dry crust still lets so much through [default]. */
const CRUST = 0.15
/** EC of a litre that holds 1 mg of nitrogen with what comes with it, mS/cm [default, a balanced soluble feed]. */
export const EC_PER_MG_N = 0.0068

/** A surface gives water off freely until the time to water has come, then less and less [after FAO-56, equation 74]. */
const surfaceGives = ({ capacityL, easyL, floorL }: Store, waterL: number): number =>
  falling(capacityL - waterL, GONE_WHEN_WATERED * easyL, capacityL - floorL, CRUST)
/** Leaves go on until what is easily had is gone [after FAO-56, equation 84]. */
const leavesGive = ({ capacityL, easyL, floorL }: Store, waterL: number): number =>
  falling(capacityL - waterL, easyL, capacityL - floorL, 0)

function falling(gone: number, from: number, to: number, least: number): number {
  if (gone <= from) return 1
  if (gone >= to) return least
  return 1 - ((1 - least) * (gone - from)) / (to - from)
}

/** Water that goes from it in a day, as it stands, L. */
export function lossPerDayL(
  store: Store,
  waterL: number,
  { climate, covered, stand, daysUp, factor }: Conditions,
  wet = wetIn(climate),
): number {
  return lossAt(
    store,
    waterL,
    leafCover(stand, daysUp),
    wet * stand.areaM2 * (covered ? UNDER_COVER : 1) * factor,
  )
}
const lossAt = (store: Store, waterL: number, leaves: number, mostL: number): number =>
  mostL * ((1 - leaves) * surfaceGives(store, waterL) + leaves * CANOPY * leavesGive(store, waterL))

/** The same with its working, for a tray as it stands. */
export function lossFigure(
  store: Store,
  waterL: number,
  conditions: Conditions,
  factor: Figure,
  source: Source,
): Figure {
  const { climate, covered, stand, daysUp } = conditions
  const leaves = given(
    'Of it under leaves',
    leafCover(stand, daysUp),
    'share',
    byDefault('by age, appetite and room (Beer’s law)'),
  )
  return derive(
    'It loses in a day',
    'L',
    'E * A * c * ((1 - l) * s + l * k * u) * f',
    {
      E: wetSurfaceFigure(climate, source),
      A: given('Open top of its cells', stand.areaM2, 'm²', byDefault('by its dimensions')),
      c: given(
        'What its cover lets through',
        covered ? UNDER_COVER : 1,
        'share',
        handbook('a dome takes nine tenths away'),
      ),
      l: leaves,
      s: given(
        'What the surface still gives',
        surfaceGives(store, waterL),
        'share',
        standard('after FAO-56, equation 74'),
      ),
      k: given('Leaves against a wet surface', CANOPY, '', byDefault('FAO-56 has up to 1.2')),
      u: given(
        'What leaves still give',
        leavesGive(store, waterL),
        'share',
        standard('after FAO-56, equation 84'),
      ),
      f: factor,
    },
    ({ E, A, c, l, s, k, u, f }) => E * A * c * ((1 - l) * s + l * k * u) * f,
  )
}

/** Air that stays the same is computed once. */
const known = new WeakMap<object, number>()
function wetIn(climate: Conditions['climate']): number {
  let wet = known.get(climate)
  if (wet === undefined) known.set(climate, (wet = wetSurfaceLoss(climate)))
  return wet
}

export interface Dried {
  readonly contents: Contents
  readonly lostL: number
  readonly takenMg: number
  readonly takenSalts: number
}

/** Drying is computed in steps of no more than so many hours. */
export const STEP_HOURS = 3

/** A tray after so many hours without water: salts stay, plants take nitrogen up and the salts that go with it. */
export function dry(store: Store, contents: Contents, conditions: Conditions, hours: number): Dried {
  const { climate, covered, stand, factor, daysUp } = conditions
  const mostL = wetIn(climate) * stand.areaM2 * (covered ? UNDER_COVER : 1) * factor
  // Leaves grow slowly against a few hours: those of the middle stand for all.
  const leaves = leafCover(stand, daysUp + hours / 48)
  const steps = Math.max(1, Math.ceil(hours / STEP_HOURS))
  const days = hours / steps / 24
  let { waterL } = contents
  const before = waterL
  for (let i = 0; i < steps; i++)
    waterL = Math.max(Math.min(store.floorL, waterL), waterL - lossAt(store, waterL, leaves, mostL) * days)
  const { plants } = stand
  const from = Math.max(0, daysUp)
  const until = Math.max(0, daysUp + hours / 24)
  const wanted =
    until > from
      ? plants * (nitrogenWantedMg(until, conditions.appetite) - nitrogenWantedMg(from, conditions.appetite))
      : 0
  const takenMg = Math.min(contents.nitrogenMg, wanted)
  const takenSalts = Math.min(contents.salts, takenMg * EC_PER_MG_N)
  return {
    contents: {
      waterL,
      salts: contents.salts - takenSalts,
      nitrogenMg: contents.nitrogenMg - takenMg,
    },
    lostL: before - waterL,
    takenMg,
    takenSalts,
  }
}

/** Water or feed that is given. */
export interface Given {
  readonly litres: number
  readonly how: 'above' | 'below'
  readonly ecMsPerCm: number
  readonly nMgPerL: number
}
export interface Watered {
  readonly contents: Contents
  /** From below: what was not drunk, as it was; from above: what ran through, with what it washed out. */
  readonly backL: number
  readonly washedSalts: number
  readonly washedMg: number
}

/**
 * From below it drinks what it lacks; from above all goes in and what it cannot hold runs out, mixed through.
 *
 * @example water({ capacityL: 2 }, { waterL: 1.5, salts: 0, nitrogenMg: 0 }, { litres: 1, how: 'below', ecMsPerCm: 0, nMgPerL: 0 }).backL // 0.5
 */
export function water(
  { capacityL }: Pick<Store, 'capacityL'>,
  contents: Contents,
  { litres, how, ecMsPerCm, nMgPerL }: Given,
): Watered {
  const drunkL = how === 'below' ? Math.min(litres, Math.max(0, capacityL - contents.waterL)) : litres
  const waterL = contents.waterL + drunkL
  const salts = contents.salts + drunkL * ecMsPerCm
  const nitrogenMg = contents.nitrogenMg + drunkL * nMgPerL
  const runsL = how === 'below' ? 0 : Math.max(0, waterL - Math.max(capacityL, contents.waterL))
  const share = waterL > 0 ? runsL / waterL : 0
  return {
    contents: { waterL: waterL - runsL, salts: salts * (1 - share), nitrogenMg: nitrogenMg * (1 - share) },
    backL: how === 'below' ? litres - drunkL : runsL,
    washedSalts: salts * share,
    washedMg: nitrogenMg * share,
  }
}

/**
 * EC of the water in the mix, mS/cm: it rises as the tray dries.
 *
 * @example ecOf({ salts: 3, waterL: 2, nitrogenMg: 0 }) // 1.5
 */
export const ecOf = ({ salts, waterL }: Contents): number => (waterL > 0 ? salts / waterL : 0)
