import { first } from '../numeric/at'
import type { Cover } from '../places/place-kinds'
import { printNumber } from '../units/format'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { darkTest } from './hand-test'
import type { Step } from './step'
import type { Sentence } from './sentence'
import { counted, inSentence } from '../text/plurals'

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

/** A depth by the hand: a fingernail is about 12 mm, the first joint of a finger 25 mm [common practice]. */
export function byFinger(mm: number): string {
  if (mm <= 0) return 'on the surface'
  if (mm <= 3) return 'as deep as a match is thick'
  if (mm <= 8) return 'half a fingernail'
  if (mm <= 15) return 'a fingernail'
  return mm <= 30 ? 'to the first joint of a finger' : 'to the second joint of a finger'
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
    title: `Label ${name} first`,
    say: [
      groups.length === 1
        ? 'Before a seed is out of its packet. '
        : `${counted(groups.length, 'label')}, before a seed is out of its packet. `,
      'Pencil or garden marker; plain marker fades.',
      ...(groups.length > 1 ? [' Mark the edge between look-alikes.'] : []),
    ],
    picture: { kind: 'label', lines: groups.flatMap(({ label }) => label).slice(0, 6) },
    right: 'each group has its own label, at its first cell',
    workMinutes: 5,
  }
}

function groupSteps(tray: SowTray, group: SowGroup): Step[] {
  const { name, depthMm, cells, seedsPerCell, wantsLight, coverName } = group
  const all = printNumber(cells.length * seedsPerCell, 3)
  const depth = given(`Depth of ${name}`, depthMm, 'mm', yours('packet, or the book of crops'))
  const section = (seeds: number, coverMm: number) => ({
    kind: 'cell' as const,
    depthMm: tray.cellDepthMm,
    freeMm: 0,
    dentMm: depthMm,
    seeds,
    coverMm,
  })
  const where: Sentence = [counted(cells.length, tray.cellWord)]
  const steps: Step[] = []
  if (depthMm > 0)
    steps.push({
      id: `dent ${tray.id} ${group.code}`,
      title: `Dent for ${name}`,
      say: [...where, ' of ', tray.name, ': a dent ', depth, ` deep, ${byFinger(depthMm)}.`],
      amount: [depth],
      picture: section(0, 0),
      right: 'dents of one depth, so that all come up together',
      workMinutes: 5,
    })
  steps.push({
    id: sowStepId(tray.id, group.code),
    title: `Sow ${name}`,
    say: [
      `${counted(seedsPerCell, 'seed')} in each of `,
      ...where,
      `: ${all} in all. `,
      depthMm === 0 ? 'Press them on, do not bury them.' : '',
    ],
    amount: [`${printNumber(seedsPerCell, 3)} ${seedsPerCell === 1 ? 'seed' : 'seeds'} × ${cells.length}`],
    picture: { kind: 'cells', rows: tray.rows, columns: tray.columns, chosen: cells },
    right: 'no cell missed: go row by row from the marked corner',
  })
  steps.push({
    id: `cover ${tray.id} ${group.code}`,
    title: wantsLight || depthMm === 0 ? `A veil over ${name}` : `Cover ${name}`,
    say:
      depthMm === 0
        ? ['It needs light or is too fine to bury: leave it bare, or a veil of vermiculite.']
        : ['Fill the dents with ', `${inSentence(coverName)}, `, depth, ' of it, and level. Do not press.'],
    picture: section(Math.min(6, seedsPerCell), depthMm),
    right: depthMm === 0 ? 'seed still to be seen' : 'no seed to be seen, and the surface loose',
    workMinutes: 5,
  })
  return steps
}

function watering({ id, name, drinksL }: SowTray): Step {
  const drinks = given('It drinks about', drinksL, 'L', yours('its mix, short of full'))
  return {
    id: `soak ${id}`,
    title: `Water ${name}`,
    say: [
      'From below, into the solid tray, about ',
      drinks,
      ' and a little over; leave it until the surface is dark, then pour off.',
    ],
    amount: [drinks],
    picture: { kind: 'soak', stands: 0.25, how: 'below' },
    waitMinutes: SOAK_MINUTES,
    waitFor: `Pour off ${name}`,
    test: darkTest,
    asks: [
      { key: 'litres', label: 'Into the tray, less what came back', dimension: 'volume', expected: null },
    ],
    workMinutes: 3,
  }
}

function standing({ id, name, place, cover, heatC, upDays }: SowTray): Step {
  const heat = heatC === null ? null : given('The mix is kept at', heatC, '°C', yours('the mat'))
  return {
    id: `place ${id}`,
    title: `${first(name).toUpperCase()}${name.slice(1)} to its place`,
    say: [
      `To ${place}`,
      cover === 'none' ? ', without a cover.' : `, under its ${cover}.`,
      ...(heat ? [' The mix is kept at ', heat, '.'] : []),
      upDays === null
        ? ''
        : ` Look after ${counted(Math.max(1, Math.round(upDays * 0.7)), 'day')}; up in about ${counted(Math.round(upDays), 'day')}.`,
    ],
    picture: { kind: 'cover', cover, warm: heatC !== null },
    ...(heatC === null ? {} : { cautions: ['electricity'] as const }),
    workMinutes: 3,
  }
}
