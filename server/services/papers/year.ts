import { counted } from '#core/text/plurals'
import { packsOf } from '#core/supplies/pack-said'
import { printNumber } from '#core/units/format'
import { contextOf } from '#shared/derived/context'
import { cameWords, yearReport } from '#shared/derived/year'
import type { Block, Writing } from '../../paper/document'
import { inHousehold } from '../../db/door'
import type { Principal } from '../../principal'
import { everything } from '../read-records'
import { yearRecords } from '../year'
import { printing } from './printing'

const money = (value: number) => printNumber(Math.round(value * 100) / 100, 4)

/** A year on paper: plans against what happened, seed, what ran out, notes. @throws Refusal 404 */
export async function yearPaper(principal: Principal, householdId: string, year: number): Promise<Writing> {
  const kept = await everything(principal, householdId)
  const records = await inHousehold(principal, householdId, (tx) => yearRecords(tx, householdId, year))
  const report = yearReport(records, contextOf(kept), year)
  const print = printing(kept.household.body)
  const volume = (litres: number) => print.volume(Number(litres.toPrecision(2)))
  const items = (
    heading: string,
    list: readonly { title: string; text: string }[],
    none: string,
  ): Block[] => [
    { kind: 'heading', text: heading },
    list.length ? { kind: 'list', marks: 'none', items: list } : { kind: 'text', text: none, soft: true },
  ]
  return {
    title: `Season’s end, ${year}`,
    kicker: kept.household.body.name,
    blocks: [
      {
        kind: 'text',
        text: [
          `${printNumber(report.plantsOut)} plants out or given away`,
          report.mixL ? `${volume(report.mixL)} of mix` : '',
          report.waterL ? `${volume(report.waterL)} of water that was measured` : '',
          report.money === null ? '' : `${money(report.money)} of mix and feed`,
        ]
          .filter(Boolean)
          .join('; '),
      },
      { kind: 'heading', text: 'By crop' },
      {
        kind: 'table',
        columns: ['Crop', 'wanted', 'came up', 'first after', 'lost', 'out', 'picked'],
        shares: [5, 2, 4, 2.4, 1.6, 1.6, 2],
        rows: report.crops.map((row) => [
          row.name,
          row.wanted ? String(row.wanted) : '–',
          cameWords(row.came),
          row.daysUp === null ? '–' : counted(Math.round(row.daysUp), 'day'),
          row.lost ? String(row.lost) : '–',
          row.out + row.given ? String(row.out + row.given) : '–',
          row.pickedG ? print.mass(row.pickedG) : row.picked ? `${row.picked} ×` : '–',
        ]),
      },
      { kind: 'heading', text: 'By mix' },
      {
        kind: 'table',
        columns: ['Mix', 'made', 'trays', 'came up in it', 'lost in it'],
        shares: [5, 2, 1.5, 4, 2],
        rows: report.mixes.map((row) => [
          row.name,
          row.litres ? volume(row.litres) : '–',
          row.trays ? String(row.trays) : '–',
          cameWords(row.came),
          row.lost ? String(row.lost) : '–',
        ]),
      },
      ...items(
        'Seed',
        report.packets.map((row) => ({
          title: `${row.packet.name} ${row.packet.year}: ${row.verdict}`,
          text: row.why,
        })),
        'No packet was sown from.',
      ),
      ...items(
        'What ran out',
        report.ranOut.map(({ name, on }) => ({ title: name, text: print.day(on) })),
        'Nothing in Supplies.',
      ),
      ...items(
        'What is left',
        report.left.map(({ name, packs, good }) => ({
          title: packsOf(packs, name),
          text: good,
        })),
        'Nothing in Supplies.',
      ),
      ...items(
        'Notes to yourself',
        report.thoughts.map(({ body }) => ({ title: body.name, text: print.day(body.on) })),
        'None.',
      ),
    ],
  }
}
