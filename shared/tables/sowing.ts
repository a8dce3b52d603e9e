import type { AnyProblem } from '#shared/messages/refusals'
import { present } from '#core/present'
import { AGEING_PER_YEAR } from '#core/sowing/odds'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import { CROP_FAMILIES } from '#core/sowing/crop'
import { SCHEDULES } from '#core/season/schedule/schedules'
import { cropRecordOf } from '../records/as-crop'
import { codeAt } from '#core/trays/layout'
import { wrongAt } from '#core/problem'
import type { TrayRecord } from '../records/tray'
import { column, DAY, named, NUMBER, oneOf, PERCENT, quantity, TEXT, WHOLE, YES } from './column'
import { bookId, ID, inBook, sameOwn } from './goods'
import { folded, type Named } from './names'
import type { Table } from './table'
import { WORDS } from './words'

/** Headings of tables that were written before version 2 of the format. */
const FIRST_NAMES = { schedule: ['ladder'], group: ['run'] }

export const CROPS: Table<'crops'> = {
  name: 'Crops',
  what: 'crops of your own, or your figures for those of the book',
  collection: 'crops',
  columns: [
    column('name', 'Name', TEXT, 'name', [...WORDS.crop, ...WORDS.name], { required: true }),
    column('corrects', 'Stands in the place of', named('bookCrops'), 'basedOn', WORDS.corrects),
    column('like', 'As in the book', named('bookCrops'), '', WORDS.like),
    column('family', 'Family', oneOf(...CROP_FAMILIES), 'family', WORDS.family),
    column('weeks_from', 'Weeks, from', NUMBER, 'figures.weeks.0', WORDS.weeksFrom),
    column('weeks_to', 'Weeks, to', NUMBER, 'figures.weeks.1', WORDS.weeksTo),
    column('out_after_frost_weeks', 'Out, weeks after the last frost', NUMBER, 'figures.outAfterFrostWeeks'),
    column('depth_mm', 'Depth', quantity('length', 'mm'), 'figures.depthMm', WORDS.depth),
    column('light', 'Light', oneOf('wants light', 'wants dark', 'either'), 'figures.light'),
    column('warmth_c', 'Mix, °C', quantity('temperature', 'C'), 'figures.warmthC', WORDS.warmth),
    column('comes_up_like', 'Comes up like', TEXT, 'figures.emergence.like'),
    column('comes_up_times', '… times as long', NUMBER, 'figures.emergence.factor'),
    column('treatment', 'Seed is', oneOf('soak', 'nick', 'chill'), 'figures.treatment.kind'),
    column('treatment_days', '… for days', NUMBER, 'figures.treatment.days'),
    column('seeds_per_cell', 'Seeds a cell', NUMBER, 'figures.seedsPerCell', WORDS.seedsPerCell),
    column('clump', 'A clump', YES, 'figures.clump'),
    column('appetite', 'Appetite', oneOf('light', 'medium', 'heavy'), 'figures.appetite'),
    column('bury_stem', 'Roots from its stem', YES, 'figures.buryStem'),
    column('lowest_night_c', 'Coldest night, °C', quantity('temperature', 'C'), 'figures.lowestNightC'),
    column('germination_percent', 'Germination', PERCENT, 'figures.germination', WORDS.germination),
    column('seed_life', 'Seed keeps', oneOf(...Object.keys(AGEING_PER_YEAR)), 'figures.seedLife'),
    column('weeks_before_frost', 'Out, weeks before frost', NUMBER, 'figures.weeksBeforeFrost'),
    column('autumn', 'For autumn too', YES, 'figures.autumn'),
    column(
      'schedule',
      'Schedule',
      oneOf(...SCHEDULES.map(({ id }) => id)),
      'figures.scheduleId',
      FIRST_NAMES.schedule,
    ),
    ID,
  ],
  begin: (said) => {
    const original = BUILT_IN_CROPS.get(bookId(said) ?? '')
    if (!original) return { basedOn: null, figures: { weeks: [], treatment: null, weeksBeforeFrost: null } }
    const { family, figures } = cropRecordOf(original)
    return { basedOn: null, family, figures }
  },
  same: sameOwn,
  doubts: inBook(BUILT_IN_CROPS),
}

export const SOWINGS: Table<'sowings'> = {
  name: 'Sowings',
  what: 'so many plants of a crop by a day',
  collection: 'sowings',
  columns: [
    column('name', 'Crop and variety', TEXT, 'name', [...WORDS.variety, ...WORDS.name]),
    column('crop', 'Crop', named('crops'), 'cropId', WORDS.crop, { required: true }),
    column('packet', 'Packet', named('packets'), 'packetId', ['seed', 'saatgut', 'sachet', 'sobre', 'zakje']),
    column('plants', 'Plants wanted', WHOLE, 'plants', WORDS.plants, { required: true }),
    column('cells', 'Cells', WHOLE, 'cells', WORDS.cells),
    column('season', 'Season', oneOf('spring', 'autumn'), 'season', ['saison', 'temporada', 'seizoen']),
    column('sow_on', 'Sown on', DAY, 'sowOn', WORDS.sowOn),
    column('out_on', 'Out on', DAY, 'outOn', WORDS.outOn),
    column('germination_percent', 'Germination', PERCENT, 'germination', WORDS.germination),
    column('certainty_percent', 'How sure', PERCENT, 'certainty'),
    column('seeds_per_cell', 'Seeds a cell', WHOLE, 'seedsPerCell', WORDS.seedsPerCell),
    column('depth_mm', 'Depth', quantity('length', 'mm'), 'depthMm', WORDS.depth),
    column(
      'schedule',
      'Schedule',
      oneOf(...SCHEDULES.map(({ id }) => id)),
      'scheduleId',
      FIRST_NAMES.schedule,
    ),
    column('place', 'Place', named('places'), 'placeId', WORDS.place),
    ID,
  ],
  begin: ({ crop }) => ({ name: (crop as Named | undefined)?.name }),
  same: ({ name, cropId, sowOn, outOn }) => `${cropId} ${folded(name)} ${sowOn ?? ''} ${outOn ?? ''}`,
}

/** One line a cell: what stands in it, what is sown in it, by row and cell from the marked corner. */
export const TRAYS: Table<'trays'> = {
  name: 'Trays and their cells',
  what: 'one line a cell, from the marked corner',
  collection: 'trays',
  columns: [
    column('tray', 'Tray', TEXT, '', WORDS.tray, { required: true }),
    column('container', 'Container', named('containers'), 'containerId', WORDS.container, { required: true }),
    column('place', 'Place', named('places'), 'placeId', WORDS.place),
    column('mix', 'Mix', named('recipes'), 'recipeId', WORDS.mix),
    column('row', 'Row', WHOLE, '', WORDS.row, { required: true }),
    column('cell', 'Cell', WHOLE, '', WORDS.cell, { required: true }),
    column('crop', 'Crop', named('crops'), '', WORDS.crop),
    column('variety', 'Crop and variety', TEXT, '', [...WORDS.variety, ...WORDS.name]),
    column('group', 'Group', TEXT, '', FIRST_NAMES.group),
    column('seeds_per_cell', 'Seeds a cell', WHOLE, '', WORDS.seedsPerCell),
    column('number', 'Number', WHOLE, '', [], { onlyOut: true }),
    column('sown_on', 'Sown on', DAY, '', WORDS.sowOn, { onlyOut: true }),
    column('standing', 'Standing', WHOLE, '', [], { onlyOut: true }),
    ID,
  ],
  group: ({ id, tray }) => String(id ?? folded(String(tray))),
  make: (lines, body) => {
    const problems: AnyProblem[] = []
    const [first] = lines
    const { id: containerId } = present(first).container as Named
    const said = lines.map((line) => ({
      row: Number(line.row),
      cell: Number(line.cell),
      crop: line.crop as Named | undefined,
      name: String(line.variety ?? (line.crop as Named | undefined)?.name ?? ''),
      group: line.group as string | undefined,
      seeds: line.seeds_per_cell as number | undefined,
    }))
    const rows = Math.max(Number(body.rows ?? 0), ...said.map(({ row }) => row))
    const columns = Math.max(Number(body.columns ?? 0), ...said.map(({ cell }) => cell))
    if (rows > 40 || columns > 60 || said.some(({ row, cell }) => row < 1 || cell < 1))
      return [wrongAt(['row'], 'rowsOrCells', { rows: 40, cells: 60 })]
    const stood = (body.groups ?? []) as TrayRecord['groups']
    const groups = new Map<string, TrayRecord['groups'][number]>()
    const cells = Array<string>(rows * columns).fill('')
    const seen = new Set<number>()
    for (const { row, cell, crop, name, group, seeds } of said) {
      const at = (row - 1) * columns + cell - 1
      if (seen.has(at)) problems.push(wrongAt(['cell'], 'cellTwice', { row, cell }))
      seen.add(at)
      if (!crop) {
        if (name) problems.push(wrongAt(['crop'], 'cellOfNoCrop', { row, cell, name }))
        continue
      }
      const known = [...groups.values()].find((one) =>
        group ? one.code === group : one.cropId === crop.id && folded(one.name) === folded(name),
      )
      const code = known?.code ?? group ?? freeCode(groups)
      const before = stood.find((one) => one.code === code)
      if (!known)
        groups.set(code, {
          ...(before ?? { sowingId: null, stage: 0, packetId: null, seedsPerCell: 1 }),
          code,
          cropId: crop.id,
          name,
          ...(seeds === undefined ? {} : { seedsPerCell: seeds }),
        })
      cells[at] = code
    }
    if (problems.length) return problems
    return {
      ...body,
      name: present(first).tray,
      containerId,
      rows,
      columns,
      groups: [...groups.values()],
      cells,
    }
  },
  same: ({ name }) => folded(name),
  lines: ({ id, number, body }, _, { cellOf }) =>
    body.cells.map((code, i) => {
      const group = body.groups.find((one) => one.code === code)
      const now = cellOf?.(id, i)
      return {
        tray: body.name,
        container: body.containerId,
        place: body.placeId,
        mix: body.recipeId,
        row: Math.floor(i / body.columns) + 1,
        cell: (i % body.columns) + 1,
        crop: group?.cropId,
        variety: group?.name,
        group: code,
        seeds_per_cell: group?.seedsPerCell,
        number,
        sown_on: now?.sownOn,
        standing: now?.standing,
        id,
      }
    }),
}

function freeCode(groups: ReadonlyMap<string, unknown>): string {
  let n = 0
  while (groups.has(codeAt(n))) n++
  return codeAt(n)
}
