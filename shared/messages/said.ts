import { first } from '#core/numeric/at'
import { LINE_KINDS, type ReadLine } from '#core/language/line-said'
import type { FrostsSaid } from '#core/language/frosts'
import type { AwaySaid } from '#core/language/away'
import type { StoreSaid } from '#core/language/stores'
import type { RecipeSaid } from '#core/language/recipe'
import { sharedOut, type Wish } from '#core/language/wish-said'
import type { Rate } from '#core/feed/rate'
import { seenName } from '#core/signs/seen'
import { counted, inSentence } from '#core/text/plurals'
import { printNumber, printQuantity } from '#core/units/format'
import { convert } from '#core/units/unit-table'
import type { UnitSystem } from '#core/units/unit'
import type { Day } from '#core/calendar/day'

/*
 * What was read, as one plain sentence: `Up: 28 of 36 cosmos in tray 3, on Sunday 11 April`.
 */

/** What a sentence names things by. */
export interface Telling {
  readonly units: UnitSystem
  readonly printDay: (day: Day) => string
  readonly crop: (id: string) => string | undefined
  readonly container: (id: string) => string | undefined
  readonly place: (id: string) => string | undefined
  readonly recipe: (id: string) => string | undefined
  readonly material: (id: string) => string | undefined
  readonly feed: (id: string) => string | undefined
  readonly tray: (id: string) => number | undefined
}

/** Days in full, as they are written where the month comes first or the day. */
export function longDay(order: 'day first' | 'month first'): (day: Day) => string {
  const format = new Intl.DateTimeFormat(order === 'month first' ? 'en-US' : 'en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  })
  const written = new Map<Day, string>()
  return (day) => {
    const known = written.get(day)
    if (known !== undefined) return known
    const said = format.format(new Date(`${day}T00:00Z`)).replace(/,(?= \d+ )/, '')
    written.set(day, said)
    return said
  }
}

const listed = (all: readonly (string | null | undefined | false)[]) => all.filter(Boolean).join(', ')
const nameOf = (name: string | undefined, id: string) => inSentence(first((name ?? id).split(',')))

/** What is wished for, or stands: `36 tomatoes in a 72-cell tray, to be sown on Saturday 13 March 2027`. */
export function tellWish(wish: Wish, telling: Telling): string {
  const { amount, cropId, variety, outOn, sowOn, sown, up, kinds, containerId, containers, area } = wish
  const called = wish.called || (cropId ? nameOf(telling.crop(cropId), cropId) : '…')
  const what = `${variety && !called.includes(variety) ? `${variety} ` : ''}${called}`
  const vessel = containerId && inSentence(telling.container(containerId) ?? containerId)
  const many = amount && (amount.of === 'trays' ? vesselWord(vessel) : amount.of)
  const howMany = amount
    ? `${printNumber(amount.n)} ${amount.of === 'plants' ? '' : `${amount.n === 1 ? many?.slice(0, -1) : many} of `}`
    : ''
  return listed([
    `${howMany}${what}`,
    kinds && `${counted(kinds.count, 'kind')}${kindsEach(kinds, amount)}`,
    area && tellArea(area),
    vessel &&
      `${wish.broadcast ? 'scattered over' : 'in'} ${containers ? `${printNumber(containers)} × ` : ''}${vessel}`,
    wish.seedsPerCell !== null && `${counted(wish.seedsPerCell, 'seed')} a cell`,
    wish.depthMm !== null && `${printQuantity(wish.depthMm, 'length', telling.units)} deep`,
    wish.recipeId && `in ${telling.recipe(wish.recipeId) ?? 'the mix that was named'}`,
    wish.placeId && placeText(inSentence(telling.place(wish.placeId) ?? wish.placeId)),
    sowOn && `${sown ? 'sown' : 'to be sown'} on ${telling.printDay(sowOn)}`,
    up !== null && `${printNumber(up)} up`,
    wish.direct && 'not potted up',
    wish.next &&
      `then ${wish.broadcast ? 'pricked out' : 'potted up'}${wish.next.containerId ? ` into ${inSentence(telling.container(wish.next.containerId) ?? '')}` : ''}`,
    outOn && `out on ${telling.printDay(outOn)}`,
    wish.season === 'autumn' && 'for autumn',
    wish.times > 1 && `${wish.times} times, ${counted(wish.everyDays, 'day')} apart`,
    ...wish.notes,
  ])
}

/** `, 4 or 5 of each`. */
function kindsEach({ count, each }: NonNullable<Wish['kinds']>, amount: Wish['amount']): string {
  if (!amount || amount.of === 'trays') return each === null ? '' : `, ${each} of each`
  const shares = [...new Set(sharedOut(amount.n, count))].reverse()
  return `, ${shares.join(' or ')} of each`
}

/** What so many of a container are called: pots are no trays. */
const vesselWord = (vessel: string | null): string =>
  `${/\b(pot|cup|block|bag|bucket|pellet|pack|jug|tube)\b/.exec(vessel?.replace(/-/g, ' ') ?? '')?.[1] ?? 'tray'}s`

const placeText = (place: string) => (place === 'outside' ? place : `on the ${place}`)

function tellArea({ along, from, count, share, rest }: NonNullable<Wish['area']>): string {
  if (rest) return 'in what is left'
  if (share !== null) return `in ${printNumber(share * 100)} % of the tray`
  const lines = counted(count, along ?? 'row')
  if (from === null) return `in ${lines}`
  return from < 0 ? `in the last ${lines}` : `in ${lines} from ${along ?? 'row'} ${from}`
}

/** What was done is in the words themselves where no crop is named. */
const SAID_WHOLE: ReadonlySet<ReadLine['kind']> = new Set([
  'tended',
  'cleaned',
  'damage',
  'weather',
  'seen',
  'felt',
])

/** What happened: `Up: 28 of 36 cosmos in tray 3, on Sunday 11 April`. */
export function tellLine(line: ReadLine, telling: Telling): string {
  const kind = LINE_KINDS.find((one) => one.kind === line.kind)?.name ?? line.kind
  const crop = line.called
    ? inSentence(line.called)
    : line.cropId
      ? nameOf(telling.crop(line.cropId), line.cropId)
      : ''
  const trays = line.trays.length ? line.trays : line.trayIds.flatMap((id) => telling.tray(id) ?? [])
  const number =
    line.count !== null
      ? `${line.count === 0 ? 'none' : printNumber(line.count)}${line.of !== null && line.of !== line.count ? ` of ${printNumber(line.of)}` : ''}`
      : line.except !== null
        ? `all but ${printNumber(line.except)}`
        : line.share !== null
          ? line.share === 1
            ? 'all'
            : `${printNumber(line.share * 100)} %`
          : ''
  const what = [number, crop].filter(Boolean).join(line.count === 0 ? ' of the ' : ' ')
  const where = trays.length ? `in ${trays.length > 1 ? 'trays' : 'tray'} ${trays.join(', ')}` : ''
  const whole =
    line.kind === 'thought' ||
    (SAID_WHOLE.has(line.kind) && line.called === '' && line.measured.length === 0 && line.treatment === null)
  const told = listed([
    [what, where].filter(Boolean).join(' '),
    line.containerId && `into ${inSentence(telling.container(line.containerId) ?? '')}`,
    line.placeId && `${inSentence(telling.place(line.placeId) ?? line.placeId)}`,
    line.thinnedTo !== null && `to ${line.thinnedTo} each`,
    line.litres !== null && printQuantity(line.litres, 'volume', telling.units),
    line.grams !== null && printQuantity(line.grams, 'mass', telling.units),
    line.how && `from ${line.how}`,
    line.treatment && `${line.treatment} (kept by its name; nothing is said of its effect)`,
    ...line.measured.map(({ text }) => text),
    ...line.signs.map((sign) => seenName(sign).toLowerCase()),
    line.rest.length > 0 && !whole && `as said: ${line.rest.join(' ')}`,
    whole && line.said,
    `on ${telling.printDay(line.on)}`,
    line.at && `at ${line.at}`,
    line.remindOn && `comes back on ${telling.printDay(line.remindOn)}`,
  ])
  return `${kind}: ${told}`
}

export function tellFrosts(said: FrostsSaid, { printDay }: Telling): string {
  if (said.kind === 'never') return 'It never freezes: plants go by the warmth of the nights'
  const guess = (which: 'last' | 'first') => (said.guessed.includes(which) ? ' (a guess)' : '')
  return `Last frost ${printDay(said.lastFrost)}${guess('last')}, first frost ${printDay(said.firstFrost)}${guess('first')}`
}

export const tellAway = ({ from, to }: AwaySaid, { printDay }: Telling): string =>
  from === to ? `Away on ${printDay(from)}` : `Away from ${printDay(from)} to ${printDay(to)}`

export function tellStore(
  { kind, id, packs, pack, size, left }: StoreSaid,
  { material, feed, units }: Telling,
): string {
  const name = inSentence((kind === 'feed' ? feed(id) : material(id)) ?? id)
  if (packs === 0) return `No ${name}`
  const each = size && printQuantity(size.base, size.of, units)
  const much = pack
    ? `${printNumber(packs ?? 1)} × ${each ? `${each} ` : ''}${pack} of `
    : each
      ? `${each} of `
      : ''
  return `${much}${name}${left === null ? '' : `, ${printNumber(left * 100)} % left`}`
}

export function tellRecipe({ parts, extras }: RecipeSaid, { material, units }: Telling): string {
  const name = (id: string) => inSentence(material(id) ?? id)
  const dose = (gPerL: number) =>
    units === 'us'
      ? `${printQuantity(gPerL * convert(1, 'us-gal', 'L'), 'mass', units)} to the gallon`
      : `${printNumber(gPerL)} g to the litre`
  return listed([
    ...parts.map(({ materialId, parts: n }) => `${counted(n, 'part')} ${name(materialId)}`),
    ...extras.map(({ materialId, gPerL }) => `${name(materialId)}, ${dose(gPerL)}`),
  ])
}

export function tellRate(rate: Rate, { units }: Telling): string {
  switch (rate.kind) {
    case 'amount':
      return `${printQuantity(rate.base, rate.of, units)} in ${printQuantity(rate.perL, 'volume', units)} of water`
    case 'ratio':
      return `1 ${rate.meaning ?? ':'} ${printNumber(rate.n)}`
    case 'label':
      return `${printNumber(rate.share * 100)}${rate.upTo === undefined ? '' : ` to ${printNumber(rate.upTo * 100)}`} % of the label’s rate`
    case 'strength':
      return `${printNumber(rate.nMgPerL)} mg/L of nitrogen`
    case 'label numbers':
      return `A label of ${rate.n}-${rate.p2o5}-${rate.k2o}, which says nothing of how much to use`
  }
}
