import { at as elementAt, first as firstOf } from '../numeric/at'
import { present } from '../present'
import type { Extra, Part } from '../media/recipe'
import { convert } from '../units/unit-table'
import { sentenceOf, tilings, UNREAD, type Piece } from './chart'
import { materialNames, type MaterialSaid } from './material-term'
import type { Sentence, Term } from './pattern'
import type { Said } from './quantities'
import type { Choice, Known, KnownMaterial, Read } from './reading'
import { saidAnew } from './said-anew'
import { SentenceReader } from './sentence-reader'
import { termsOf } from './terms'
import { tokensOf } from './token'
import { RECIPE, type Amount } from './recipe-grammar'

/*
 * Recipes as people say them: `3 parts coir to 1 part castings, a cup of perlite, 2 tbsp lime per gallon`. Every word is accounted
 * for; what is not understood, or could be two things, is asked about and never guessed.
 */

/** One material of a recipe, as it was said. */
interface RecipeLine {
  readonly materialId: string | null
  readonly part: Part | null
  readonly extra: Extra | null
}
export interface RecipeSaid {
  readonly lines: readonly RecipeLine[]
  readonly parts: readonly Part[]
  readonly extras: readonly Extra[]
}
const RECIPE_EXAMPLE = '4 parts coir, 1 part pumice, 1 tbsp kelp meal per gallon'
/** A recipe is longer than a sentence; longer than this is none. */
const MAX_RECIPE = 2000
const MAX_MATERIALS = 40
/** A text with more stretches that are not understood is no recipe: nothing near is looked for. */
const MANY_UNREAD = 6

const ready = new WeakMap<
  Known,
  { terms: ReturnType<typeof termsOf>; like: (text: string) => readonly KnownMaterial[] }
>()

/**
 * A recipe in words, read.
 *
 * @returns what it is made of, or what is still to be said
 */
export function readRecipe(text: string, known: Known): Read<RecipeSaid> {
  const told = (question: string): Read<RecipeSaid> => ({
    meaning: [],
    heard: [],
    questions: [{ question, about: null, choices: [] }],
  })
  if (text.length > MAX_RECIPE) return told(`That is long: at most ${MAX_RECIPE} letters at a time.`)
  let made = ready.get(known)
  if (!made) {
    const names = materialNames(known.materials)
    ready.set(known, (made = { terms: { ...termsOf(known), material: names.term, split }, like: names.like }))
  }
  const sentence = sentenceOf(
    text,
    tokensOf(text.replace(/^\s*\d+[.)]\s+(?=\D)/gm, (head) => ' '.repeat(head.length)).replace(/[•·]/g, ',')),
    made.terms,
  )
  if (sentence.tokens.length === 0) return told(`Say it like: ${RECIPE_EXAMPLE}.`)
  return new RecipeReader(sentence, known, firstOf(tilings(sentence, RECIPE)).pieces, made.like).read()
}

/** `60/40`: shares of a hundred. */
const split: Term = ({ tokens }, at) => {
  const [, a, sign, b] = /^(\d+)([:/])(\d+)$/.exec(elementAt(tokens, at).plain) ?? []
  return a !== undefined && (sign === ':' || Number(a) + Number(b) === 100)
    ? [{ to: at + 1, value: [Number(a), Number(b)] }]
    : []
}

/** One material with what was said of it. */
interface Item {
  readonly material: Piece | null
  /** Names joined by `or`: whichever is at hand. */
  readonly others: readonly Piece[]
  readonly amount: Piece | null
  readonly per: Said | null
}

class RecipeReader extends SentenceReader {
  constructor(
    sentence: Sentence,
    known: Known,
    pieces: readonly Piece[],
    private readonly like: (text: string) => readonly KnownMaterial[],
  ) {
    super(sentence, known, pieces)
  }

  read(): Read<RecipeSaid> {
    const items = this.items()
    if (items.length === 0) this.ask(`Of what? Say it like: ${RECIPE_EXAMPLE}.`)
    if (items.length > MAX_MATERIALS) this.ask(`A recipe is made of at most ${MAX_MATERIALS} materials.`)
    const unread = this.unreadRuns()
    for (const run of unread) this.askUnread(run, unread.length <= MANY_UNREAD)
    const lines = this.lines(items)
    return {
      meaning: items.length
        ? [
            {
              lines,
              parts: inWholes(merged(lines.flatMap(({ part }) => part ?? []))),
              extras: lines.flatMap(({ extra }) => extra ?? []),
            },
          ]
        : [],
      heard: this.taking(),
      questions: this.questions,
    }
  }

  private unreadRuns(): { from: number; to: number }[] {
    const runs: { from: number; to: number }[] = []
    for (const { from, to } of this.of(UNREAD)) {
      const run = runs.at(-1)
      if (run && run.to === from && !elementAt(this.sentence.tokens, from).parted) run.to = to
      else runs.push({ from, to })
    }
    return runs
  }

  private askUnread(run: { readonly from: number; readonly to: number }, withLike: boolean) {
    const words = this.words(run)
    const like = words.length < 4 || !withLike ? [] : this.like(words)
    this.ask(
      `“${words}” is no material that is known here.`,
      [
        ...like.map(({ name }) => ({ name, text: this.anew(run, name) })),
        { name: 'Leave it out', text: this.anew(run, '') },
      ],
      run,
    )
  }

  /** Amounts stand before their materials; where they stand behind, each goes with the one before it. */
  private items(): Item[] {
    const ratio = this.of('ratio')[0]
    const materials: { piece: Piece; others: Piece[] }[] = []
    let either = false
    for (const piece of this.pieces) {
      const last = materials.at(-1)
      if (piece.slot === 'or') either = true
      if (piece.slot !== 'material') continue
      if (either && last) last.others.push(piece)
      else materials.push({ piece, others: [] })
      either = false
    }
    if (ratio) {
      const numbers = ratio.value as readonly number[]
      if (numbers.length !== materials.length)
        this.ask(
          `${numbers.join(' : ')} is of ${numbers.length} materials; ${materials.length} ${materials.length === 1 ? 'is' : 'are'} named.`,
          [],
          ratio,
        )
      return materials.map(({ piece, others }, i) => ({
        material: piece,
        others,
        amount:
          numbers[i] === undefined
            ? null
            : { ...ratio, slot: 'amount', value: { kind: 'parts', value: numbers[i] } },
        per: null,
      }))
    }
    const equal = this.of('equal')[0]
    const amounts = this.of('amount')
    const ofEach = this.ofEach(equal, amounts, materials.length)
    const lastOne = materials.at(-1)?.piece
    const lastAmount = amounts.at(-1)
    // `Seed compost with 20 % perlite`: what leads up to the last material is of it.
    const leads =
      lastOne !== undefined &&
      lastAmount?.to === lastOne.from &&
      !elementAt(this.sentence.tokens, lastOne.from).parted
    const isBefore =
      lastAmount !== undefined &&
      materials.length > 0 &&
      (elementAt(amounts, 0).from < elementAt(materials, 0).piece.from || leads)
    const used = new Set<Piece>()
    const items = materials.map(({ piece, others }, i): Item => {
      const low = i === 0 ? 0 : elementAt(materials, i - 1).piece.to
      const high = materials[i + 1]?.piece.from ?? Infinity
      const inside = amounts.filter(({ from, to }) =>
        isBefore ? from >= low && to <= piece.from : from >= piece.to && to <= high,
      )
      const mine = inside.at(-1) ?? null
      inside.forEach((one) => used.add(one))
      const part: Piece | null =
        mine ??
        (equal
          ? ofEach && { ...equal, slot: 'amount', value: ofEach }
          : this.unsaid(piece, i, materials.length, amounts))
      const per = this.of('per').find(({ from }) => from >= piece.to && from < high)
      return { material: piece, others, amount: part, per: (per?.value as Said | undefined) ?? null }
    })
    const unnamed = this.unreadRuns().length > 0
    for (const piece of amounts.filter((one) => !used.has(one)))
      if (!unnamed) this.ask(`${this.words(piece).replace(/ of$/, '')} of what?`, [], piece)
    return items
  }

  /** As much of each: a part, or of what the shares that are said leave. */
  private ofEach(equal: Piece | undefined, amounts: readonly Piece[], materials: number): Amount | null {
    if (!equal || amounts.length === 0) return { kind: 'parts', value: 1 }
    const shares = amounts.map(({ value }) => value as Amount)
    const known = shares.reduce((sum, one) => sum + (one.kind === 'share' ? one.value : Infinity), 0)
    if (known < 1) return { kind: 'share', value: (1 - known) / Math.max(1, materials - amounts.length) }
    this.ask(`‘${this.words(equal)}’: how much of each? Say it in parts.`, [], equal)
    return null
  }

  /** A material alone is the whole mix; the first of several is what the shares of the others leave: `compost with 20 % grit`. */
  private unsaid(piece: Piece, i: number, count: number, amounts: readonly Piece[]): Piece | null {
    if (i > 0 || this.unreadRuns().length > 0) return null
    if (count === 1 && amounts.length === 0)
      return { ...piece, slot: 'amount', value: { kind: 'parts', value: 1 } }
    const shares = amounts.every(({ value }) => (value as Amount).kind === 'share')
    return count > 1 && amounts.length === count - 1 && shares
      ? { ...piece, slot: 'amount', value: { kind: 'rest' } }
      : null
  }

  private lines(items: readonly Item[]): RecipeLine[] {
    const value = (item: Item) => item.amount?.value as Amount | undefined
    const found = items.map((item) => ({ item, material: this.materialOf(item) }))
    const media = found.filter(({ item, material }) =>
      material ? material.kind !== 'amendment' : !this.mayBeAmendment(item),
    )
    const inParts = media.some(({ item }) => value(item)?.kind === 'parts')
    const inLitres = media.some(({ item }) => value(item)?.kind === 'litres')
    const said = this.of('one part')[0]?.value as Said | undefined
    const partL = said?.base ?? null
    if (inParts && inLitres && partL === null) this.askPart()
    this.askVessels(found.flatMap(({ item }) => item.amount ?? []))
    const volumes = {
      inParts,
      partL,
      totalL: this.total(
        media.map(({ item }) => value(item)),
        partL,
      ),
    }
    if (this.of('weight').length && inParts)
      this.ask(
        'By weight? A weight says nothing of how loose it lies: the parts of a mix are volumes.',
        [
          {
            name: 'By volume',
            text: this.of('weight').reduceRight(
              (text, piece) => saidAnew(text, this.range(piece), 'by volume'),
              this.sentence.text,
            ),
          },
        ],
        this.of('weight')[0],
      )
    const sharesKnown = media.flatMap(({ item }) => {
      const one = value(item)
      return one?.kind === 'share' ? one.value : []
    })
    const known = sharesKnown.reduce((sum, share) => sum + share, 0)
    if (known > 1.005) this.ask(`The shares come to ${Math.round(known * 100)} %: they are of one whole.`)
    const isWhole = media.some(({ item }) => value(item)?.kind !== 'share')
    if (!isWhole && known > 0 && known < 0.985) this.askRest(known)
    return found.map(({ item, material }) =>
      this.line(item, material, { ...volumes, known, isShared: sharesKnown.length > 0 }),
    )
  }

  /** Shares that leave something over: of what is the rest? */
  private askRest(known: number) {
    this.ask(`The shares come to ${Math.round(known * 100)} %. What is the rest?`, [
      { name: 'Nothing: keep their ratio', text: this.asParts() },
    ])
  }
  /** The shares said as parts of a hundred. */
  private asParts(): string {
    return this.of('amount').reduceRight((text, piece) => {
      const one = piece.value as Amount
      const parts = one.kind === 'share' ? `${round(one.value * 100)} parts ` : this.words(piece)
      return saidAnew(text, this.range(piece), parts)
    }, this.sentence.text)
  }

  /** Whatever it is, it is dosed by the gram: lime is, of either kind. */
  private mayBeAmendment({ material }: Item): boolean {
    const ids = (material?.value as MaterialSaid | undefined)?.ids ?? []
    return (
      ids.length > 0 &&
      ids.every((id) => this.known.materials.find((one) => one.id === id)?.kind === 'amendment')
    )
  }

  private materialOf({ material, others }: Item): KnownMaterial | null {
    if (!material) return null
    const { ids } = material.value as MaterialSaid
    const all = [...new Set([...ids, ...others.flatMap(({ value }) => (value as MaterialSaid).ids)])]
    const of = (id: string) => present(this.known.materials.find((one) => one.id === id))
    if (all.length === 1) return of(firstOf(all))
    const last = others.at(-1) ?? material
    const whole = { from: material.from, to: last.to }
    const atHand = all.filter((id) => this.known.atHand.includes(id))
    const choices = all.map((id): Choice => ({
      name: `${of(id).name}${atHand.includes(id) ? ', at hand' : ''}`,
      text: this.anew(whole, of(id).name.replace(/,/g, '')),
    }))
    this.ask(`Which is meant by “${this.words(whole)}”?`, choices, whole)
    return null
  }

  /** A bale and a bag are no two parts of one size. */
  private askVessels(amounts: readonly Piece[]) {
    const named = new Set(
      amounts.flatMap(
        (piece) =>
          /\b(bale|bag|bucket|scoop|shovel|trowel|can|jug|tub|pot|bin|bowl|pail)/i
            .exec(this.words(piece))?.[1]
            ?.toLowerCase() ?? [],
      ),
    )
    const sized = amounts.every((piece) => (piece.value as Amount).kind === 'litres')
    if (named.size > 1 && !sized)
      this.ask(`A ${[...named].join(' and a ')} are of different sizes: say each in litres, or all in parts.`)
  }

  private askPart() {
    this.ask('Cups and litres stand beside parts: how large is a part?', [
      ...(this.known.units === 'us'
        ? ['1 cup', '1 quart', '1 gallon']
        : ['1 cup', '1 litre', '10 litres']
      ).map((size) => ({ name: size, text: this.more(`a part is ${size}`) })),
    ])
  }

  /** What is measured out altogether, L, where all of it is said in volumes or parts of a known size. */
  private total(amounts: readonly (Amount | undefined)[], partL: number | null): number | null {
    let total = 0
    for (const one of amounts) {
      if (one?.kind === 'litres') total += one.value
      else if (one?.kind === 'parts' && partL !== null) total += one.value * partL
      else return null
    }
    return total > 0 ? total : null
  }

  private line(
    item: Item,
    material: KnownMaterial | null,
    volumes: {
      inParts: boolean
      partL: number | null
      totalL: number | null
      known: number
      isShared: boolean
    },
  ): RecipeLine {
    const open: RecipeLine = { materialId: material?.id ?? null, part: null, extra: null }
    const said = item.amount?.value as Amount | undefined
    const name = item.material ? this.words(item.material) : ''
    if (!material) return open
    const isAmendment = material.kind === 'amendment'
    if (!said || said.kind === 'vague') {
      this.askAmount(item, name, isAmendment)
      return open
    }
    if (said.kind === 'rest') {
      if (isAmendment || !volumes.isShared || volumes.known >= 1) {
        this.ask(`The rest of what? Say the others as shares: a half, a quarter.`, [], item.amount)
        return open
      }
      return { ...open, part: { materialId: material.id, parts: round((1 - volumes.known) * 100) } }
    }
    if (!(said.value > 0)) {
      this.ask(`How much ${name}? It has to be above 0.`, [], item.amount)
      return open
    }
    // So much to a volume of mix is an extra; so is whatever is dosed by the gram.
    if (item.per !== null || isAmendment)
      return { ...open, extra: this.extra(item, material, said, name, volumes) }
    if (said.kind === 'grams') {
      this.ask(`Say ${name} by volume: a weight says nothing of how loose it lies.`, [], item.amount)
      return open
    }
    if (said.kind === 'litres' && volumes.inParts)
      return volumes.partL === null
        ? open
        : { ...open, part: { materialId: material.id, parts: round(said.value / volumes.partL) } }
    // A half beside whole parts is half a part; beside shares of one whole it is a share.
    const parts = said.kind === 'share' ? (volumes.inParts ? said.value : said.value * 100) : said.value
    return { ...open, part: { materialId: material.id, parts: round(parts) } }
  }

  /** An amount dosed by the gram per litre of mix, or what is asked where that cannot be told. */
  private extra(
    item: Item,
    material: KnownMaterial,
    said: Exclude<Amount, { kind: 'rest' } | { kind: 'vague' }>,
    name: string,
    { inParts, partL, totalL }: { inParts: boolean; partL: number | null; totalL: number | null },
  ): Extra | null {
    const inL = item.per?.base ?? totalL
    if (said.kind === 'share' || (said.kind === 'parts' && partL === null)) {
      this.askAmount(item, name, true)
      return null
    }
    if (inL === null) {
      if (inParts && partL === null && said.kind === 'litres') this.askPart()
      else
        this.ask(
          `${this.words(present(item.amount))} ${name} in how much mix?`,
          this.perChoices().map(({ name: per }) => ({
            name: per,
            text: this.anew(present(item.material), `${name} ${per}`),
          })),
          item.amount,
        )
      return null
    }
    const litres = said.kind === 'parts' ? said.value * present(partL) : said.value
    const grams = said.kind === 'grams' ? said.value : litres * material.dryBulkDensityGPerL
    return { materialId: material.id, gPerL: round(grams / inL) }
  }

  private perChoices(): { name: string; litres: number }[] {
    return this.known.units === 'us'
      ? [
          { name: 'per gallon', litres: convert(1, 'us-gal', 'L') },
          { name: 'per cubic foot', litres: convert(1, 'cu-ft', 'L') },
        ]
      : [
          { name: 'per 10 L', litres: 10 },
          { name: 'per 50 L', litres: 50 },
        ]
  }

  /** A little of something is asked as an amount: never one part. */
  private askAmount(item: Item, name: string, isAmendment: boolean) {
    const piece = item.amount
    const per = this.known.units === 'us' ? 'per gallon' : 'per 10 L'
    const choices = isAmendment
      ? (this.known.units === 'us' ? ['1 tsp', '1 tbsp', '2 tbsp'] : ['1 tsp', '1 tbsp', '50 g']).map(
          (amount) => `${amount} of ${name} ${per}`,
        )
      : ['1/2 part', '1 part', '2 parts'].map((amount) => `${amount} ${name}`)
    const material = present(item.material)
    const whole = piece && piece.to <= material.from ? { from: piece.from, to: material.to } : material
    this.ask(
      `How much ${name}?`,
      choices.map((words) => ({
        name: words.replace(` of ${name}`, '').replace(` ${name}`, ''),
        text: this.anew(whole, words),
      })),
      whole,
    )
  }
}

const round = (value: number) => Number(value.toPrecision(4))

/** Amounts that were said in gallons or cups, as parts of one another: 3 gal and 1 gal are 3 parts and 1. */
function inWholes(parts: readonly Part[]): Part[] {
  const least = Math.min(...parts.map((one) => one.parts))
  const shares = parts.map((one) => (one.parts / least) * 4)
  const areWhole = parts.every((one) => Number.isInteger(one.parts * 2))
  if (areWhole || !(least > 0) || shares.some((n) => Math.abs(n - Math.round(n)) > 0.05)) return [...parts]
  return parts.map(({ materialId }, i) => ({ materialId, parts: Math.round(shares[i] ?? 0) / 4 }))
}

/** The same material said twice is said once. */
function merged(parts: readonly Part[]): Part[] {
  const sums = new Map<string, number>()
  for (const { materialId, parts: amount } of parts)
    sums.set(materialId, (sums.get(materialId) ?? 0) + amount)
  return [...sums].map(([materialId, amount]) => ({ materialId, parts: round(amount) }))
}
