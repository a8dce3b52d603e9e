import type { Cover } from '../places/place-kinds'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { darkTest } from './hand-test'
import { yesNo, type Step } from './step'

/** Cells of one crop that are sown in a tray. */
export interface SowGroup {
  readonly code: string
  /** Crop and variety, as on the label. */
  readonly name: string
  readonly depthMm: number
  readonly wantsLight: boolean
  readonly coverName: string
  /** Cells of the tray, by their numbers. */
  readonly cells: readonly number[]
  readonly seedsPerCell: number
  /** What stands on its label. */
  readonly label: readonly string[]
}
export interface SowTray {
  readonly id: string
  /** `tray 14`. */
  readonly name: string
  readonly rows: number
  readonly columns: number
  readonly cellDepthMm: number
  readonly cellWord: string
  readonly groups: readonly SowGroup[]
  readonly place: string
  readonly cover: Cover
  /** Warmth of the mix there, °C; null where nothing heats it. */
  readonly heatC: number | null
  /** Water it drinks once it is sown, L, and what stands in the tray for it. */
  readonly drinksL: number
  readonly upDays: number | null
}

/** Minutes a tray stands in water after it is sown [common practice: 15–20, until the surface is dark]. */
const SOAK_MINUTES = 20

/** From label to place, tray by tray and group by group. The step `sow <tray> <group>` is the one that sows. */
export function sowSteps(trays: readonly SowTray[]): Step[] {
  return trays.flatMap((tray) => [
    labels(tray),
    ...tray.groups.flatMap((group) => groupSteps(tray, group)),
    watering(tray),
    standing(tray),
  ])
}
/**
 * @example sowStepId('t', 'A') // 'sow t A'
 */
export const sowStepId = (trayId: string, group: string): string => `sow ${trayId} ${group}`

function labels({ id, name, groups }: SowTray): Step {
  return {
    id: `label ${id}`,
    kind: 'label tray',
    values: { tray: name, labels: groups.length },
    picture: { kind: 'label', lines: groups.flatMap(({ label }) => label).slice(0, 6) },
    workMinutes: 5,
  }
}

function groupSteps(tray: SowTray, group: SowGroup): Step[] {
  const { name, depthMm, cells, seedsPerCell, wantsLight, coverName } = group
  const depth = given(`Depth of ${name}`, depthMm, 'mm', yours('packet, or the book of crops'))
  const section = (seeds: number, coverMm: number) => ({
    kind: 'cell' as const,
    depthMm: tray.cellDepthMm,
    freeMm: 0,
    dentMm: depthMm,
    seeds,
    coverMm,
  })
  const surface = yesNo(depthMm === 0)
  const where = { name, tray: tray.name, n: cells.length, cellWord: tray.cellWord }
  return [
    ...(depthMm > 0
      ? [
          {
            id: `dent ${tray.id} ${group.code}`,
            kind: 'dent' as const,
            values: { ...where, depth, fingerMm: depthMm },
            picture: section(0, 0),
            workMinutes: 5,
          },
        ]
      : []),
    {
      id: sowStepId(tray.id, group.code),
      kind: 'sow',
      values: { ...where, each: seedsPerCell, all: cells.length * seedsPerCell, surface },
      picture: { kind: 'cells', rows: tray.rows, columns: tray.columns, chosen: cells },
    },
    {
      id: `cover ${tray.id} ${group.code}`,
      kind: 'cover',
      values: { name, veil: yesNo(wantsLight || depthMm === 0), surface, material: coverName, depth },
      picture: section(Math.min(6, seedsPerCell), depthMm),
      workMinutes: 5,
    },
  ]
}

function watering({ id, name, drinksL }: SowTray): Step {
  return {
    id: `soak ${id}`,
    kind: 'soak tray',
    values: { tray: name, drinks: given('It drinks about', drinksL, 'L', yours('its mix, short of full')) },
    picture: { kind: 'soak', stands: 0.25, how: 'below' },
    waitMinutes: SOAK_MINUTES,
    test: darkTest,
    asks: [{ key: 'litres', dimension: 'volume', expected: null }],
    workMinutes: 3,
  }
}

function standing({ id, name, place, cover, heatC, upDays }: SowTray): Step {
  return {
    id: `place ${id}`,
    kind: 'place tray',
    values: {
      tray: name,
      place,
      cover,
      heated: yesNo(heatC !== null),
      ...(heatC === null ? {} : { heat: given('The mix is kept at', heatC, '°C', yours('the mat')) }),
      look: upDays === null ? 0 : Math.max(1, Math.round(upDays * 0.7)),
      up: upDays === null ? 0 : Math.round(upDays),
    },
    picture: { kind: 'cover', cover, warm: heatC !== null },
    ...(heatC === null ? {} : { cautions: ['electricity'] as const }),
    workMinutes: 3,
  }
}
