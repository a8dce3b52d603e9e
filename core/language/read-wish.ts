import { present } from '../present'
import { at as elementAt, first as firstOf } from '../numeric/at'
import { gridOf } from '../trays/grid'
import { daysBetween } from '../calendar/day'
import type { Named } from './name-book'
import { ask, longestPhrase, textOf, type Draft } from './wish-phrases'
import { WISH_EXAMPLE, type Ask, type Heard, type Listening, type Wish } from './wish'
import { wordsOf, type Word } from '../text/words'

/** Words that name nothing: what follows them says something that was not understood. */
const LEADS = new Set(
  'for on in with by at from to until before after near under like without next because if into until than'.split(
    ' ',
  ),
)
const NO_NAMES = new Set(
  'asap soon now quickly again maybe too my our his her their everyone someone'.split(' '),
)

/** Reads a wish; every word of it is accounted for. */
export function readWish(text: string, listening: Listening): Wish {
  const words = wordsOf(text)
  const draft: Draft = {
    amount: null,
    named: [],
    cropText: '',
    outOn: null,
    sowOn: null,
    sown: false,
    season: null,
    times: null,
    everyDays: null,
    untilOn: null,
    containerId: null,
    recipeId: null,
    placeId: null,
    rows: null,
    up: null,
    seedsPerCell: null,
    kinds: null,
    each: null,
    verb: null,
    frost: null,
    asks: [],
  }
  const heard: (Heard & { at: number; words: number })[] = []
  const loose: number[] = []
  let cropAt = -1
  let cropEnd = -1
  for (let i = 0; i < words.length;) {
    const best = elementAt(words, i).quoted ? null : longestPhrase(words, i, listening)
    const crop = elementAt(words, i).quoted ? null : listening.names.at(words, i)
    if (crop && (!best || crop.length >= best.words)) {
      const sliceText = textOf(words, i, crop.length)
      // Of two names side by side the last is the crop, the first tells which: strawberry popcorn.
      if (draft.named.length && !(cropEnd === i && !elementAt(words, i).parted)) {
        if (!crop.named.some(({ cropId }) => draft.named.some((one) => one.cropId === cropId)))
          draft.asks.push(ask('One crop at a time: plan this one, then say the next.'))
      } else if (draft.named.length) loose.push(...range(cropAt, cropEnd))
      draft.named = crop.named
      draft.cropText = sliceText
      cropAt = i
      cropEnd = i + crop.length
      heard.push({ text: sliceText, as: 'crop', means: '', at: i, words: crop.length })
      i += crop.length
    } else if (best) {
      best.set?.(draft)
      heard.push({
        text: textOf(words, i, best.words),
        as: best.as,
        means: best.means,
        at: i,
        words: best.words,
      })
      i += best.words
    } else {
      loose.push(i)
      i++
    }
  }
  return settle(draft, words, heard, loose, [cropAt, cropEnd], listening)
}

const range = (from: number, to: number) => Array.from({ length: to - from }, (_, i) => from + i)
/** What is left over is the variety where it stands beside the crop, else not understood; and what is still to be asked. */
function settle(
  draft: Draft,
  words: readonly Word[],
  heard: (Heard & { at: number; words: number })[],
  loose: readonly number[],
  [cropAt, cropEnd]: readonly [number, number],
  { names, autumnCrops, containers, frosts }: Listening,
): Wish {
  const isLoose = new Set(loose)
  const asks = [...draft.asks]
  const beside: number[] = []
  if (cropAt >= 0) {
    for (
      let i = cropAt - 1;
      isLoose.has(i) && !elementAt(words, i + 1).parted && canName(elementAt(words, i));
      i--
    )
      beside.unshift(i)
    for (
      let i = cropEnd;
      isLoose.has(i) &&
      (elementAt(words, i).quoted || (!elementAt(words, i).parted && canName(elementAt(words, i))));
      i++
    )
      beside.push(i)
  } else {
    // Without a crop the words that name something are asked about together.
    const first = loose.find((i) => canName(elementAt(words, i)))
    if (first !== undefined)
      for (let i = first; isLoose.has(i) && canName(elementAt(words, i)); i++) beside.push(i)
  }
  let cropIds = [...new Set(draft.named.map(({ cropId }) => cropId))]
  let packetId: string | null = null
  let variety = beside.map((i) => elementAt(words, i).text).join(' ')
  const plainBeside = beside.flatMap((i) => elementAt(words, i).plain.split(' '))
  const held = beside.length ? names.holding(plainBeside, cropIds.length === 1 ? firstOf(cropIds) : null) : []
  if (cropIds.length <= 1 && held.length === 1) {
    const [one] = held
    cropIds = [present(one).cropId]
    packetId = present(one).packetId
    variety = present(one).packetId ? present(one).name : ''
  } else if (held.length > 1 && cropIds.length <= 1)
    asks.push(ask(`Which of them?`, { text: variety, choices: held.map(({ name }) => name) }))
  const choices = (found: readonly Named[]) => found.map(({ name }) => name)
  if (cropIds.length > 1)
    asks.push(
      ask(`${draft.cropText} is what more than one crop is called.`, {
        text: draft.cropText,
        choices: choices(draft.named),
      }),
    )
  if (cropIds.length === 0 && held.length <= 1) {
    if (!variety) asks.push(ask(`Of what? Say it like: ${WISH_EXAMPLE}.`))
    else {
      const like = names.like(variety)
      asks.push(
        like.length
          ? ask(`'${variety}' is no crop that is known here. Did you mean one of these?`, {
              text: variety,
              choices: choices(like),
            })
          : ask(
              `'${variety}' is no crop that is known here. Add it under Crops and seed, or call it by a crop it is like.`,
            ),
      )
    }
  }
  const { kinds, each } = draft
  let { amount } = draft
  if (kinds && each) {
    if (amount?.of === 'plants' && amount.n !== kinds * each)
      asks.push(ask(`${kinds} kinds, ${each} of each, are ${kinds * each}, not ${amount.n}.`))
    amount = { n: kinds * each, of: 'plants' }
  }
  if (draft.rows !== null) asks.push(lengthOfRow(draft.rows, draft.containerId, heard, containers))
  if (!amount && !asks.some(({ question }) => /number|row/.test(question)))
    asks.push(ask(`How many? Say it like: ${WISH_EXAMPLE}.`))
  if (amount && !(amount.n > 0)) asks.push(ask('How many? A wish is for more than 0.'))
  if (draft.frost && frosts === null) asks.push(ask('It never freezes here: say a day instead.'))
  else if (draft.frost && cropIds.length === 1 && !autumnCrops.has(firstOf(cropIds)))
    asks.push(
      ask(
        'It is not usually sown for autumn. Before which frost: the last frost of spring, or the first of autumn?',
      ),
    )
  if (draft.up !== null && !draft.sown) asks.push(ask('When was it sown? Say it like: sown 13 March.'))
  if (draft.up !== null && ((kinds ?? 1) > 1 || (draft.times ?? 1) > 1))
    asks.push(ask('So many up of which? Say each by itself.'))
  const until = draft.untilOn
  const from = draft.outOn ?? draft.sowOn
  const everyDays = draft.everyDays ?? 0
  const times =
    draft.times ??
    (until && from && everyDays ? Math.max(1, Math.floor(daysBetween(from, until) / everyDays) + 1) : 1)
  if (draft.everyDays && draft.times === null && !(until && from))
    asks.push(ask('How many times? Say: 4 times every 2 weeks.'))
  if (draft.times && draft.times > 1 && !everyDays)
    asks.push(ask('How far apart? Say: 4 times every 2 weeks.'))
  const outOn = draft.outOn ?? (until && !draft.everyDays ? until : null)

  const runs: (Heard & { at: number })[] = heard
    .filter(({ as, at }) => !(as === 'crop' && at !== cropAt && isLoose.has(at)))
    .map(({ text, as, means, at }) => ({ text, as, means, at }))
  const taken = new Set(beside)
  if (beside.length && (cropIds.length === 1 || packetId))
    runs.push({
      text: beside.map((i) => elementAt(words, i).text).join(' '),
      as: 'variety',
      means: variety,
      at: firstOf(beside),
    })
  const unread = joined(
    loose.filter((i) => !taken.has(i)),
    words,
  )
  return {
    amount,
    cropId: cropIds.length === 1 ? firstOf(cropIds) : null,
    packetId,
    variety,
    outOn,
    sowOn: draft.sowOn,
    sown: draft.sown,
    up: draft.up,
    season: draft.season,
    times,
    everyDays,
    containerId: draft.containerId,
    recipeId: draft.recipeId,
    placeId: draft.placeId,
    seedsPerCell: draft.seedsPerCell,
    kinds: kinds
      ? { count: kinds, each: each ?? Math.max(1, Math.round((amount?.n ?? kinds) / kinds)) }
      : null,
    heard: runs.sort((a, b) => a.at - b.at),
    unread,
    asks,
  }
}

/** A row lies along a tray or across it: both are offered, in the tray that was named, or the usual one. */
function lengthOfRow(
  rows: number,
  containerId: string | null,
  heard: readonly Heard[],
  containers: Listening['containers'],
): Ask {
  const tray = containers.find(({ id, cells }) => id === (containerId ?? USUAL_TRAY) && (cells ?? 1) > 1)
  const question = 'How long is a row?'
  if (!tray) return ask(`${question} Say it in cells or trays: 24 cells, 1 tray.`)
  const grid = gridOf({ id: tray.id, cells: present(tray.cells) })
  const [along, across] = [rows * grid.columns, rows * grid.rows]
  return ask(
    `${question} In a ${tray.name} ${grid.columns} cells lie along it and ${grid.rows} across: ${along} or ${across} in all.`,
    {
      text: present(heard.find(({ means }) => means === 'rows')).text,
      choices: [...new Set([`${along} cells of`, `${across} cells of`])],
    },
  )
}
const USUAL_TRAY = 'tray-72'

const canName = ({ plain, quoted }: Word) =>
  quoted || (/^\p{L}/u.test(plain) && !LEADS.has(plain) && !NO_NAMES.has(plain))

/** Words that stand side by side, together. */
function joined(at: readonly number[], words: readonly Word[]): string[] {
  const runs: number[][] = []
  for (const i of at) {
    const run = runs.at(-1)
    if (run && run.at(-1) === i - 1 && !elementAt(words, i).parted) run.push(i)
    else runs.push([i])
  }
  return runs.map((run) => textOf(words, firstOf(run), run.length))
}
