import { capital } from '../text/capital'
import { at as elementAt, first as firstOf, last as lastOf } from '../numeric/at'
import { present } from '../present'
import { saidAnew } from './said-anew'
import { shownAs, type Named } from './name-book'
import type { Known } from './reading'
import type { Piece } from './chart'
import WORDS from './lexicon/words.json' with { type: 'json' }
import type { Wish } from './wish-said'
import { WishDays } from './wish-days'

export interface Crop {
  readonly from: number
  readonly to: number
  readonly named: readonly Named[]
  readonly text: string
}

/** The crops of a wish, with their varieties and packets. */
export abstract class WishCrops extends WishDays {
  /** Crops that are named; of two names side by side the last is the crop, the first tells which: strawberry popcorn. */
  protected crops(): Crop[] {
    const out: Crop[] = []
    for (const piece of this.of('crop')) {
      const before = out.at(-1)
      const beside = before?.to === piece.from && !elementAt(this.sentence.tokens, piece.from).parted
      const crop = { from: piece.from, to: piece.to, named: piece.value as Named[], text: this.words(piece) }
      if (beside) out.pop()
      out.push(
        beside
          ? {
              ...crop,
              from: present(before).from,
              text: this.words({ from: present(before).from, to: piece.to }),
            }
          : crop,
      )
    }
    return out.length ? out : this.alsoAWord()
  }

  /** `Tomatoes: 10 cherry, 6 plum`: numbers behind one crop, each with a word that is no crop, are asked about as its varieties. */
  protected asksVarieties(crops: readonly Crop[], unread: readonly (readonly number[])[]): boolean {
    const [crop] = crops
    if (!crop || crops.length > 1 || !/^\s*[:(]/.test(this.sentence.text.slice(this.range(crop).to)))
      return false
    const kinds = this.of('amount')
      .filter(({ from }) => from >= crop.to)
      .map((piece) => ({ piece, run: unread.find((run) => firstOf(run) === piece.to) }))
    if (kinds.length < 2 || kinds.some(({ run }) => !run?.every((i) => this.canName(i)))) return false
    const names = kinds.map(({ piece, run }) => {
      const range = { from: firstOf(present(run)), to: lastOf(present(run)) + 1 }
      return `${this.words(piece)} ${this.words(range)} ${crop.text}`
    })
    const end = this.range({ from: lastOf(kinds).piece.from, to: lastOf(present(lastOf(kinds).run)) + 1 }).to
    const text = this.sentence.text
    this.ask(`Are these kinds of ${crop.text}?`, [
      { name: names.join(', '), text: `${names.join(', ')}${text.slice(end).replace(/^\s*\)/, '')}` },
    ])
    return true
  }

  /** `6 cherry and 6 plum tomatoes`, `red and green lettuce`: the crop is said once, behind the last of its kinds. */
  protected asksKindsBefore(crops: readonly Crop[], unread: readonly (readonly number[])[]): boolean {
    const [crop] = crops
    if (!crop || crops.length > 1) return false
    const { tokens, text } = this.sentence
    const isLoose = (i: number) => unread.some((run) => run.includes(i)) && this.canName(i)
    const and = tokens.findIndex(
      ({ lower }, i) => /^(?:and|&)$/.test(lower) && i < crop.from && isLoose(i - 1),
    )
    if (and < 1) return false
    let from = and - 1
    while (isLoose(from - 1) && !elementAt(tokens, from).parted) from--
    const begins = from === 0 || this.of('amount').some(({ to }) => to === from)
    const between = Array.from({ length: crop.from - and - 1 }, (_, i) => and + 1 + i)
    const isKind = between.every(
      (i) => isLoose(i) || this.of('amount').some((one) => i >= one.from && i < one.to),
    )
    const isNamed = between.some(isLoose) || crop.to - crop.from > 1
    if (!begins || !isKind || !isNamed) return false
    const name = elementAt(tokens, crop.to - 1).text
    const kind = this.words({ from, to: and })
    const said = saidAnew(text, this.range({ from, to: and }), `${kind} ${name}`)
    this.ask(`${capital(kind)}: of ${name} too?`, [{ name: `${capital(kind)} ${name}`, text: said }])
    return true
  }

  /** `24 sprouts`, and nothing else named: the word for young plants is that of a crop. */
  protected alsoAWord(): Crop[] {
    const { tokens } = this.sentence
    for (const { from, to } of this.of('amount', 'filler'))
      for (let i = from; i < to; i++)
        for (const found of this.sentence.term('crop', i))
          if (found.to <= to && !/^\d/.test(elementAt(tokens, i).text))
            return [
              {
                from: i,
                to: found.to,
                named: found.value as Named[],
                text: this.words({ from: i, to: found.to }),
              },
            ]
    return []
  }

  /** Where no crop is named: what may be its name is asked about, or is that of a packet. */
  protected nameless(unread: readonly (readonly number[])[]): Crop[] {
    const run = unread.find((run) => run.every((i) => this.canName(i)))
    if (!run) return []
    const [from, to] = [firstOf(run), lastOf(run) + 1]
    const words = run.flatMap((i) => elementAt(this.sentence.tokens, i).plain.split(' '))
    const held = this.known.names.holding(words, null)
    run.forEach((i) => this.taken.add(i))
    const text = this.words({ from, to })
    this.heard.push({
      text,
      ...this.range({ from, to }),
      as: held.length ? 'variety' : 'unread',
      means: held.length === 1 ? firstOf(held).name : 'not understood',
    })
    if (held.length === 1) return [{ from, to, named: held, text }]
    if (held.length > 1)
      this.ask(
        'Which of them?',
        held.map(({ name }) => ({ name, text: this.anew({ from, to }, name) })),
        { from, to },
      )
    else {
      const like = this.known.names.like(text)
      this.ask(
        like.length
          ? `‘${text}’ is no crop that is known here. Did you mean one of these?`
          : `‘${text}’ is no crop that is known here. Add it under Crops and seed, or call it by a crop it is like.`,
        like.map(({ name }) => ({ name, text: this.anew({ from, to }, firstOf(name.split(','))) })),
        { from, to },
      )
    }
    return [{ from, to, named: [], text }]
  }

  protected canName(i: number): boolean {
    const { plain, quoted, kind } = elementAt(this.sentence.tokens, i)
    return quoted || (kind === 'word' && /^\p{L}/u.test(plain) && !NO_NAMES.has(plain))
  }

  protected name(
    crop: Crop,
    unread: readonly (readonly number[])[],
  ): Pick<Wish, 'cropId' | 'packetId' | 'variety' | 'called'> {
    const { tokens } = this.sentence
    const loose = new Set(unread.flat())
    const beside: number[] = []
    for (let i = crop.from - 1; loose.has(i) && !elementAt(tokens, i + 1).parted && this.canName(i); i--)
      beside.unshift(i)
    for (
      let i = crop.to;
      loose.has(i) && (elementAt(tokens, i).quoted || (!elementAt(tokens, i).parted && this.canName(i)));
      i++
    )
      beside.push(i)
    let ids = [...new Set(crop.named.map(({ cropId }) => cropId))]
    this.hear(
      cropWords(crop, this.of('crop')),
      'crop',
      ids.length === 1
        ? shownAs(this.words(cropWords(crop, this.of('crop'))), nameOf(this.known, firstOf(ids)))
        : 'one of several',
    )
    let packetId = crop.named.length === 1 ? firstOf(crop.named).packetId : null
    // Of two crops side by side the first is the variety.
    const lead = this.of('crop').filter(({ from, to }) => from >= crop.from && to < crop.to)
    const words = [
      ...lead.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i)),
      ...beside,
    ].sort((a, b) => a - b)
    let variety = words.map((i) => unquoted(elementAt(tokens, i).text)).join(' ')
    if (words.length && ids.length <= 1) {
      const held = this.known.names.holding(
        words.flatMap((i) => elementAt(tokens, i).plain.split(' ')),
        ids[0] ?? null,
      )
      if (held.length === 1) {
        const one = firstOf(held)
        ids = [one.cropId]
        packetId = one.packetId
        variety = one.packetId ? one.name : ''
      } else if (held.length > 1)
        this.ask(
          'Which of them?',
          held.map(({ name }) => ({
            name,
            text: this.anew({ from: firstOf(words), to: lastOf(words) + 1 }, name),
          })),
        )
    } else if (packetId !== null) variety = firstOf(crop.named).name
    beside.forEach((i) => this.taken.add(i))
    if (beside.length && ids.length) {
      const range = { from: firstOf(beside), to: lastOf(beside) + 1 }
      this.heard.push({
        text: this.words(range),
        ...this.range(range),
        as: 'variety',
        means: packetId ? variety : 'variety',
      })
    }
    if (ids.length > 1)
      this.ask(
        `${crop.text} is what more than one crop is called.`,
        crop.named.map(({ name }) => ({ name, text: this.anew(crop, firstOf(name.split(','))) })),
        crop,
      )
    return {
      cropId: ids.length === 1 ? firstOf(ids) : null,
      packetId,
      variety,
      called: lead.length ? this.words({ from: lastOf(lead).to, to: crop.to }) : crop.text,
    }
  }
}

/** The words of the crop itself, without a variety before it. */
const cropWords = (crop: Crop, pieces: readonly Piece[]) => pieces.find(({ to }) => to === crop.to) ?? crop
const nameOf = (known: Known, cropId: string): string =>
  (known.crops.find(({ id }) => id === cropId)?.name ?? cropId).split(',')[0] ?? cropId
const unquoted = (word: string) => word.replace(/^["“'‘]|["”'’]$/g, '')

/** Words that are no part of a variety's name: they say something that was not understood. */
const NO_NAMES = new Set<string>(WORDS['no-name'])
