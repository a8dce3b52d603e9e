import type { Day } from '#core/calendar/day'
import type { Sought } from '#core/language/palette'
import { ALL_CAUTIONS } from '#shared/messages/cautions'
import { GLOSSARY } from '#core/glossary'
import { coverOf } from '#core/sowing/crop'
import { counted, inSentence } from '#core/text/plurals'
import { plainName } from '#core/text/words'
import { printNumber, printQuantity } from '#core/units/format'
import type { UnitSystem } from '#core/units/unit'
import { SEEN } from '#core/signs/seen'
import { PAGE_HELP } from '../messages/page-help'
import { standingTrays, type Bench } from './bench'
import { nightAhead } from './season'
import { neededByDay } from './shopping'
import { shelvesOf, goodsOf } from './shelves'
import { addUp } from '#core/supplies/needs'
import { goodsUnit } from '#core/supplies/goods'

/** An answer to what somebody looks for: what it is, a line on it, and where it is done. */
export interface PaletteAnswer {
  readonly name: string
  readonly hint: string
  readonly path: string
}
interface Telling {
  readonly printDay: (day: Day) => string
  readonly temperature: (celsius: number) => string
  readonly length: (mm: number) => string
  readonly units: UnitSystem
}
const MOST = 6
const MOST_HELP = 3
const MOVES: readonly string[] = ['prick out', 'pot up']

/** Answers, those that can be acted on now first. */
export function paletteAnswers(sought: Sought, bench: Bench, telling: Telling): PaletteAnswer[] {
  const asks = new Set(sought.asks)
  return [
    ...(asks.has('frost') ? tonight(bench, telling) : []),
    ...(asks.has('last year')
      ? [{ name: 'Last year', hint: 'a year on one page, and the next from it', path: '/records/year' }]
      : []),
    ...sought.feedIds.flatMap((id) => dose(id, sought.volumeL, bench, telling)),
    ...sought.materialIds.flatMap((id) => inShed(id, bench)),
    ...(asks.has('how deep') ? depths(sought, bench, telling) : []),
    ...nextSteps(sought, bench, telling),
    ...trays(sought, bench),
    ...packets(sought, bench),
    ...places(sought, bench),
    ...signs(sought),
    ...words(sought),
    ...help(sought),
  ]
}

/** The night that is forecast, and what it is too cold for. */
function tonight({ context: { frame }, jobs, today }: Bench, { temperature }: Telling): PaletteAnswer[] {
  if (!frame) return [{ name: 'Tonight: no frosts are set yet', hint: 'say when it freezes', path: '/first' }]
  const night = nightAhead(frame, today)
  const bring = jobs
    .filter(({ kind, state }) => kind === 'shelter' && state !== 'done')
    .flatMap(({ names }) => names)
  return [
    {
      name: night === null ? 'Tonight: no forecast' : `Tonight: ${temperature(night)}`,
      hint: bring.length
        ? `bring in ${bring.slice(0, MOST).join(', ')}`
        : night === null
          ? 'enter it on Today'
          : 'nothing to bring in',
      path: '/',
    },
  ]
}

/** How much of a feed goes into so much water, by its label. */
function dose(id: string, volumeL: number | null, { context }: Bench, { units }: Telling): PaletteAnswer[] {
  const feed = context.feeds.get(id)
  if (!feed) return []
  const { labelRatePerL: rate, form } = feed
  const water = volumeL ?? context.frame?.canL ?? 1
  const much =
    rate === null
      ? null
      : form === 'powder'
        ? printQuantity(rate * water, 'mass', units)
        : printQuantity((rate * water) / 1000, 'volume', units)
  return [
    {
      name:
        much === null
          ? feed.name
          : `${feed.name}: ${much} to ${printQuantity(water, 'volume', units)} of water`,
      hint: much === null ? 'its label gives no rate' : 'at the label’s own rate; seedlings want less',
      path: '/feed',
    },
  ]
}

/** What is in supplies of a material, and how much the plan needs. */
function inShed(id: string, bench: Bench): PaletteAnswer[] {
  const goods = goodsOf({ kind: 'material', goodsId: id }, bench.context)
  if (!goods || goods.kind !== 'material') return []
  const unit = goodsUnit(goods)
  const there = shelvesOf(bench.context.stocks, goods).reduce(
    (sum, { packs, holds }) => sum + packs * holds,
    0,
  )
  const wanted =
    addUp(neededByDay(bench).flatMap(({ needs }) => needs)).find(
      (one) => one.kind === 'material' && one.id === id,
    )?.amount ?? 0
  return [
    {
      name: `${goods.material.name}: ${there > 0 ? `${printNumber(there)} ${unit} in supplies` : 'none in supplies'}`,
      hint:
        wanted > 0
          ? `you need ${printNumber(wanted)} ${unit} for what is planned`
          : 'nothing planned needs it',
      path: '/supplies',
    },
  ]
}

/** How deep the crops that are named are sown; where none is, those that are sown next. */
function depths({ cropIds }: Sought, bench: Bench, { length }: Telling): PaletteAnswer[] {
  const next = bench.rows
    .filter(({ planned }) => planned.sowOn >= bench.today)
    .sort((a, b) => (a.planned.sowOn < b.planned.sowOn ? -1 : 1))
    .map(({ crop }) => crop)
  if (cropIds.length + next.length === 0)
    return [
      {
        name: 'How deep: two to three times the seed’s own thickness',
        hint: 'name a crop beside it',
        path: '/crops',
      },
    ]
  const crops = cropIds.length ? cropIds.flatMap((id) => bench.context.crops.get(id) ?? []) : next
  return [...new Map(crops.map((crop) => [crop.id, crop])).values()].slice(0, MOST).map((crop) => ({
    name: `${crop.name}: ${crop.depthMm === 0 ? 'on the surface' : `${length(crop.depthMm)} deep`}`,
    hint: coverOf(crop, length),
    path: `/crops?crop=${crop.id}`,
  }))
}

/** What comes next of a crop: the day it is sown, moved or goes out. */
function nextSteps(
  { cropIds, asks }: Sought,
  { rows, today }: Bench,
  { printDay }: Telling,
): PaletteAnswer[] {
  const wanted = new Set(asks)
  const isOf = (cropId: string) =>
    cropIds.length ? cropIds.includes(cropId) : wanted.has('pot up') || wanted.has('plant out')
  if (cropIds.length === 0 && !wanted.has('pot up') && !wanted.has('plant out')) return []
  return rows
    .filter(({ crop }) => isOf(crop.id))
    .flatMap(({ id, name, planned }) => {
      const all = [
        ...planned.stages.flatMap(({ kind, from }) =>
          kind === 'harden' ? [] : [{ what: kind as string, on: from }],
        ),
        { what: 'plant out', on: planned.outOn },
      ].filter(({ on }) => on >= today)
      const asked = all.filter(
        ({ what }) =>
          (wanted.has('pot up') && MOVES.includes(what)) ||
          (wanted.has('plant out') && what === 'plant out') ||
          (wanted.has('sow') && what === 'sow'),
      )
      const [next] = wanted.has('pot up') || wanted.has('plant out') || wanted.has('sow') ? asked : all
      return next
        ? [
            {
              name: `${next.what.slice(0, 1).toUpperCase()}${next.what.slice(1)} ${inSentence(name)}: ${printDay(next.on)}`,
              hint: next.on === today ? 'due today' : 'in the season',
              path: `/plan?sowing=${id}`,
            },
          ]
        : []
    })
    .slice(0, MOST)
}

function trays({ trays: numbers, words: typed }: Sought, bench: Bench): PaletteAnswer[] {
  const said = typed.join(' ').toLowerCase()
  return standingTrays(bench)
    .filter(
      ({ number, body }) =>
        numbers.includes(number) || (said.length > 2 && body.name.toLowerCase().includes(said)),
    )
    .slice(0, MOST)
    .map(({ id, number, body }) => ({
      name: `Tray ${number}`,
      hint: body.groups.map(({ name }) => name).join(', ') || body.name,
      path: `/trays/${id}`,
    }))
}

function packets({ words: typed }: Sought, { context }: Bench): PaletteAnswer[] {
  const said = plainName(typed.join(' '))
  if (said.length === 0 || said.join('').length < 3) return []
  return [...context.packets]
    .filter(([, { name }]) => said.every((word) => plainName(name).some((one) => one.startsWith(word))))
    .slice(0, MOST)
    .map(([, { name, cropId, seeds }]) => ({
      name,
      hint: seeds === null ? 'a packet' : `a packet of ${counted(seeds, 'seed')}`,
      path: `/crops?crop=${cropId}`,
    }))
}

function places({ placeId }: Sought, { context: { frame } }: Bench): PaletteAnswer[] {
  const place = frame?.places.find(({ id }) => id === placeId)
  return place
    ? [
        {
          name: place.name,
          hint: place.flats === null ? 'room without end' : `room for ${counted(place.flats, 'flat')}`,
          path: '/plan?frame=open',
        },
      ]
    : []
}

/** What is seen on plants, by what growers call it. */
function signs({ text, cropIds }: Sought): PaletteAnswer[] {
  const said = plainName(text).join(' ')
  if (said.length < 3 || cropIds.length) return []
  return SEEN.filter(({ words: names, name }) =>
    [name, ...names].some((one) => ` ${plainName(one).join(' ')} `.includes(` ${said} `)),
  )
    .slice(0, 2)
    .map(({ id, name }) => ({
      name: `${name}: what it may be`,
      hint: 'signs, and what to do',
      path: `/signs?sign=${encodeURIComponent(id)}`,
    }))
}

function words({ text }: Sought): PaletteAnswer[] {
  const said = plainName(text).join(' ')
  return said.length < 2
    ? []
    : GLOSSARY.filter(({ name }) => plainName(name).join(' ') === said).map(({ name, means }) => ({
        name,
        hint: means,
        path: '/help',
      }))
}

/** What the help says that holds every word. */
function help({ text }: Sought): PaletteAnswer[] {
  const said = plainName(text)
  if (said.join('').length < 4) return []
  const holds = (line: string) => {
    const words = plainName(line)
    return said.every((word) => words.includes(word))
  }
  const lines = Object.entries(PAGE_HELP).flatMap(([path, { why, ways }]) =>
    [why, ...ways].map((line) => ({ path: path.includes(':') ? '/help' : path, line })),
  )
  const cautions = ALL_CAUTIONS.map(({ title, text: line }) => ({
    path: '/help#cautions',
    line: `${title}: ${line}`,
  }))
  return [...lines, ...cautions]
    .filter(({ line }) => holds(line))
    .slice(0, MOST_HELP)
    .map(({ path, line }) => ({ name: line, hint: 'help', path }))
}
