import type { AnyProblem } from '#shared/messages/refusals'
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { CALIBRATIONS, calibrationById, type CalibrationId } from '#core/learning/calibrations'
import { SEEN_IDS } from '#core/signs/seen'
import { wrongAt } from '#core/problem'
import { dayFrom } from '#core/calendar/day'
import type { Subject, EntryRecord } from '../records/entry'
import { newEntry, waterRow } from '../records/new-entry'
import {
  column,
  DAY,
  named,
  NUMBER,
  oneOf,
  PERCENT,
  quantity,
  several,
  TEXT,
  WHOLE,
  type NamedKind,
} from './column'
import { ID } from './goods'
import { folded, findNamed, type Named, type Names } from './names'
import type { Table } from './table'
import { WORDS } from './words'

/** What can be told in a line; what moves plants or supplies is told where they stand. */
const TOLD = [
  'thought',
  'seen',
  'damage',
  'flower',
  'harvest',
  'weather',
  'cleaned',
  'watered',
  'weighed',
] as const
const SUBJECTS = ['trays', 'sowings', 'batches', 'packets'] as const satisfies readonly NamedKind[]
const on = column('on', 'Day', DAY, 'on', WORDS.on, { required: true })

/** An entry before its line says the day and the words, without which it is refused. */
const begun = (kind: EntryRecord['kind']) => {
  const {
    on: _on,
    name: _name,
    ...rest
  } = newEntry({ name: '', kind, on: dayFrom('2000-01-01'), subjects: [] })
  return rest
}

/** As exact as a table is written. */
const exact = (value: number | null | undefined) => (value == null ? '' : Number(value.toPrecision(12)))

/** What happened, a line each. */
export const ENTRIES: Table<'entries'> = {
  name: 'Log',
  what: 'what happened, a line each',
  collection: 'entries',
  columns: [
    on,
    column('at', 'Time', { kind: 'time' }, 'at', WORDS.at),
    column('kind', 'Kind', TEXT, '', WORDS.kind),
    column('what', 'What happened', TEXT, 'name', [...WORDS.what, ...WORDS.name], { required: true }),
    column('note', 'Note', TEXT, 'note', WORDS.note),
    column('by', 'Who', TEXT, 'by', WORDS.by),
    column('subjects', 'Of', several(...SUBJECTS), '', [...WORDS.of, ...WORDS.tray]),
    column('place', 'Place', named('places'), 'placeId', WORDS.place),
    column('count', 'Counted', WHOLE, 'count', WORDS.counted),
    column('litres', 'Water, L', quantity('volume', 'L'), '', WORDS.litres),
    column('weight_g', 'Weight, g', quantity('mass', 'g'), '', WORDS.weight),
    column('signs', 'Signs', { kind: 'words', of: SEEN_IDS }, 'signs', WORDS.signs),
    ID,
  ],
  begin: () => begun('thought'),
  doubts: ({ kind, id }) =>
    id !== undefined || kind === undefined || TOLD.some((one) => one === folded(String(kind)))
      ? null
      : `A line can tell of ${TOLD.slice(0, -1).join(', ')} or ${TOLD.at(-1)}; “${String(kind)}” moves plants or supplies, so it is told where they stand.`,
  make: ([said], body, _, stands) => {
    // Of what happened only when, who and the words are put right.
    if (stands) return body
    const kind =
      present(said).kind === undefined
        ? present(said).signs
          ? 'seen'
          : 'thought'
        : folded(String(present(said).kind))
    const subjects = ((present(said).subjects ?? []) as readonly Named[]).map(
      ({ kind: what, id }) => ({ what, id, stage: null }) as Subject,
    )
    const trays = subjects.filter(({ what }) => what === 'trays')
    const litres = present(said).litres as number | undefined
    const grams = present(said).weight_g as number | undefined
    if ((kind === 'watered' || kind === 'weighed') && trays.length === 0)
      return [wrongAt(['subjects'], 'whichTray')]
    if (kind === 'weighed' && grams === undefined) return [wrongAt(['weight_g'], 'whatWeight')]
    const water =
      kind === 'watered'
        ? trays.map(({ id }) =>
            waterRow({ trayId: id, litres: litres === undefined ? null : litres / trays.length }),
          )
        : kind === 'weighed'
          ? trays.map(({ id }) => waterRow({ trayId: id, grams: present(grams), moment: 'now' }))
          : []
    return {
      ...body,
      kind,
      subjects,
      water,
      grams: kind === 'harvest' ? (grams ?? null) : null,
    }
  },
  same: ({ on: day, kind, name, at, subjects, placeId }) =>
    [day, at, kind, folded(name), subjects.map(({ id }) => id).join(' '), placeId].join('|'),
  lines: ({ id, body }) => [
    {
      ...body,
      what: body.name,
      subjects: body.subjects
        .filter(({ what }) => (SUBJECTS as readonly string[]).includes(what))
        .map((one) => one.id),
      place: body.placeId,
      litres: body.water.some(({ litres }) => litres !== null)
        ? body.water.reduce((sum, { litres }) => sum + (litres ?? 0), 0)
        : null,
      weight_g: body.grams ?? (body.water.length === 1 ? first(body.water).grams : null),
      id,
    },
  ],
}

const OF_KINDS: Readonly<Record<(typeof CALIBRATIONS)[number]['of'], readonly NamedKind[]>> = {
  bench: [],
  feed: ['feeds'],
  jug: ['tools'],
  packet: ['packets'],
  crop: ['crops'],
  job: [],
}

/** Figures of the bench that were measured: they are learned from. */
export const MEASUREMENTS: Table<'entries'> = {
  name: 'Measurements',
  what: 'figures of your own that plans go by: jugs, spoons, settling, germination',
  collection: 'entries',
  field: 'measured',
  columns: [
    on,
    column('what', 'What', oneOf(...CALIBRATIONS.map(({ id }) => id)), '', [...WORDS.what, ...WORDS.kind], {
      required: true,
    }),
    column('of', 'Of', TEXT, '', WORDS.of),
    column('value', 'Value', NUMBER, '', WORDS.value, { required: true }),
    column('n', 'Of how many', WHOLE, '', WORDS.n),
    column('unit', 'Unit', TEXT, '', [], { onlyOut: true }),
  ],
  begin: () => begun('measured'),
  make: ([said], body, names) => {
    const what = present(said).what as CalibrationId
    const calibration = calibrationById(what)
    const of = measuredOf(calibration.of, present(said).of as string | undefined, names)
    if (typeof of !== 'string') return [of]
    const value = present(said).value as number
    return {
      ...body,
      name: `Measured: ${calibration.name.toLowerCase()}${present(said).of ? `, ${String(present(said).of)}` : ''}`.slice(
        0,
        120,
      ),
      measured: [{ what, of, value, n: present(said).n ?? null, key: '' }],
    }
  },
  facts: ({ on: day, measured }) =>
    measured.map(({ what, of, value }) => `${day} ${what} ${of} ${exact(value)}`),
  lines: ({ body }, names) =>
    body.measured.map(({ what, of, value, n }) => {
      const { of: kind, unit } = calibrationById(what)
      const thing = OF_KINDS[kind].flatMap((one) => names[one] ?? []).find(({ id }) => id === of)
      return { on: body.on, what, of: thing?.name ?? of, value, n, unit }
    }),
}

function measuredOf(
  kind: (typeof CALIBRATIONS)[number]['of'],
  text: string | undefined,
  names: Names,
): string | AnyProblem {
  if (kind === 'bench') return ''
  if (!text) return wrongAt(['of'], 'whichOf', { kind })
  // A jug and a job are kept by their names.
  if (kind === 'jug') return text.trim().toLowerCase().slice(0, 80)
  if (kind === 'job') return text.slice(0, 80)
  const found = findNamed(text, OF_KINDS[kind], names)
  return typeof found === 'string' ? { path: ['of'], message: found } : found.id
}

/** The air of places day by day: all lines of a place make one entry. */
export const AIR: Table<'entries'> = {
  name: 'Air of places',
  what: 'lows and highs day by day',
  collection: 'entries',
  field: 'climate',
  columns: [
    column('on', 'Day', DAY, '', WORDS.on, { required: true }),
    column('place', 'Place', named('places'), 'placeId', WORDS.place, { required: true }),
    column('low_c', 'Low, °C', quantity('temperature', 'C'), '', WORDS.low, { required: true }),
    column('high_c', 'High, °C', quantity('temperature', 'C'), '', WORDS.high, { required: true }),
    column('mean_c', 'Mean, °C', quantity('temperature', 'C'), '', WORDS.mean),
    column('humidity_percent', 'Humidity', PERCENT, '', WORDS.humidity),
    column('light_mol_per_m2', 'Light, mol/m²', NUMBER, '', WORDS.light),
    column('mix_c', 'Mix, °C', quantity('temperature', 'C'), '', WORDS.warmth),
  ],
  group: ({ place }) => (place as Named | undefined)?.id ?? '',
  begin: () => begun('climate'),
  make: (lines, body) => {
    const days = lines.map((said) => ({
      on: said.on as EntryRecord['on'],
      lowC: said.low_c as number,
      highC: said.high_c as number,
      meanC: (said.mean_c as number | undefined) ?? null,
      humidity: (said.humidity_percent as number | undefined) ?? null,
      lightMol: (said.light_mol_per_m2 as number | undefined) ?? null,
      ...(said.mix_c === undefined ? {} : { mixC: said.mix_c as number }),
    }))
    const twice = days.find(({ on: day }, i) => days.findIndex((one) => one.on === day) !== i)
    if (twice) return [wrongAt(['on'], 'dayTwice', { on: twice.on })]
    const last = days.reduce((late, one) => (one.on > late ? one.on : late), first(days).on)
    const { name } = first(lines).place as Named
    return { ...body, name: `Air: ${name}`.slice(0, 120), on: last, climate: days }
  },
  facts: ({ climate, placeId }) =>
    climate.map((one) =>
      [placeId, one.on, one.lowC, one.highC, one.meanC, one.humidity, one.lightMol, one.mixC ?? null].join(
        ' ',
      ),
    ),
  lines: ({ body }) =>
    body.climate.map((one) => ({
      on: one.on,
      place: body.placeId,
      low_c: one.lowC,
      high_c: one.highC,
      mean_c: one.meanC,
      humidity_percent: one.humidity,
      light_mol_per_m2: one.lightMol,
      mix_c: one.mixC,
    })),
}
