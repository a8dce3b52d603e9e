import { cellTopArea, cellVolume, cellWord, type Container } from '../containers/container'
import { FLAT_M2 } from '../containers/flat'
import { GONE_WHEN_WATERED } from '../feed/drink'
import { waterAtHeight, type Blend } from '../media/blend'
import type { ContainerPhysics } from '../media/container-physics'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'

/** A tray as a store of water: what its mix holds, what of it plants get easily, and what it weighs. */
export interface TrayStore {
  /** Water when it is soaked and has drained, L. */
  readonly capacityL: Figure
  /** Of it, what plants take up easily, L. */
  readonly easyL: Figure
  /** What stays in it when everything wilts, L. */
  readonly floorL: number
  /** Dry mix, g. */
  readonly dryMixG: Figure
  /** Tray, cells and saucer, empty, g. */
  readonly tareG: Figure
  /** Soaked and drained, with its tray, without plants, g. */
  readonly fullG: Figure
  /** Open top of all its cells, m². */
  readonly areaM2: number
  /** Floor on which water stands when it is watered from below, m². */
  readonly floorM2: number
  readonly cellDepthMm: number
}

/** When everything wilts a mix still holds so much of what it holds at 100 cm of suction [default]. */
const WILTED = 0.6
/** Below half of it a mix would hold less than it holds with everything wilted: then the floor is that. */
const MAX_FLOOR = 0.7

/** Empty, with its solid tray, g [default: thin and thick makes differ by half]. */
function tareOf(container: Container, count: number): Figure {
  const name = 'Tray and saucer, empty'
  if (container.kind === 'tray')
    return given(name, 260, 'g', byDefault('a cell insert and a solid tray; weigh your own'))
  if (container.kind === 'open tray') return given(name, 220, 'g', byDefault('an open tray; weigh your own'))
  if (container.kind === 'block')
    return given(name, 180, 'g', byDefault('a solid tray under the blocks; weigh your own'))
  const each = Math.max(2, cellVolume(container).value * 0.03)
  return derive(
    name,
    'g',
    'n * m + t',
    {
      n: given('Pots', count, '', yours()),
      m: given('One pot, empty', each, 'g', byDefault('3 g for 100 mL; weigh your own')),
      t: given('The tray they stand in', 120, 'g', byDefault('weigh your own')),
    },
    ({ n, m, t }) => n * m + t,
  )
}

/**
 * The store of so many cells of a container, filled with a mix.
 *
 * @param cells filled with mix, 1 or more
 * @param tareG weighed by the household; null for the default
 * @throws RangeError for a count below 1
 */
export function storeOf(
  container: Container,
  cells: number,
  blend: Blend,
  physics: Pick<ContainerPhysics, 'containerCapacity' | 'easilyAvailableWater' | 'dryBulkDensityGPerL'>,
  tareG: number | null = null,
): TrayStore {
  if (!(cells >= 1)) throw new RangeError(`cells: ${cells} is not 1 or more`)
  const count = given(`${cellWord(container)}s with mix`, cells, '', yours('the tray’s layout'))
  const volume = cellVolume(container)
  const inAll = (name: string, share: Figure) =>
    derive(
      name,
      'L',
      'n * V / 1000 * c',
      { n: count, V: volume, c: share },
      ({ n, V, c }) => ((n * V) / 1000) * c,
    )
  const capacityL = inAll('Water it holds, soaked and drained', physics.containerCapacity)
  const easyL = inAll('Water that is easily had', physics.easilyAvailableWater)
  const dryMixG = derive(
    'Dry mix in it',
    'g',
    'n * V / 1000 * d',
    { n: count, V: volume, d: physics.dryBulkDensityGPerL },
    ({ n, V, d }) => ((n * V) / 1000) * d,
  )
  const tare =
    tareG === null
      ? tareOf(container, cells)
      : given('Tray and saucer, empty', tareG, 'g', yours('as you weighed it'))
  const litres = (cells * volume.value) / 1000
  return {
    capacityL,
    easyL,
    floorL: Math.min(WILTED * waterAtHeight(blend, 100) * litres, MAX_FLOOR * capacityL.value),
    dryMixG,
    tareG: tare,
    fullG: derive(
      'Soaked and drained it weighs',
      'g',
      't + m + 1000 * w',
      { t: tare, m: dryMixG, w: capacityL },
      ({ t, m, w }) => t + m + 1000 * w,
      'Tray, dry mix and water; a litre of water is a kilogram.',
    ),
    areaM2: (cells * cellTopArea(container).value) / 10_000,
    floorM2:
      container.kind === 'tray' ? FLAT_M2 : Math.max(0.01, (cells * cellTopArea(container).value) / 10_000),
    cellDepthMm: container.shape.depthMm,
  }
}

/** Water left when it is time to water again, L. */
export const waterAgainAt = ({ capacityL, easyL }: Pick<TrayStore, 'capacityL' | 'easyL'>): Figure =>
  derive(
    'Water again at',
    'L',
    'w - p * e',
    {
      w: capacityL,
      e: easyL,
      p: given('Gone when it is watered', GONE_WHEN_WATERED, 'share', byDefault('the tray is light to lift')),
    },
    ({ w, p, e }) => w - p * e,
  )

/** While less than this part of the easily available water is gone, a mix counts as wet [default: a third of the way to watering]. */
export const WET_GONE = 0.15
/**
 * Above it a mix is wet, L.
 *
 * @example wetAbove({ capacityL: { value: 2 }, easyL: { value: 1 } }) // 1.85
 */
export const wetAbove = ({ capacityL, easyL }: Pick<TrayStore, 'capacityL' | 'easyL'>): number =>
  capacityL.value - WET_GONE * easyL.value

/** A mist wets so much, L/m² [default]. */
export const MIST = given('A mist wets', 0.5, 'L/m²', byDefault('until the surface shines'))

/** Filled as moist as a wrung sponge a mix lacks a third of what it holds [default]. */
const LACKS_WHEN_FILLED = 1 / 3
/**
 * What a tray that was filled and sown drinks at its first soak, L.
 *
 * @example firstSoakL({ capacityL: { value: 3 } }) // 1
 */
export const firstSoakL = ({ capacityL }: Pick<TrayStore, 'capacityL'>): number =>
  capacityL.value * LACKS_WHEN_FILLED
