import { at as elementAt } from '../numeric/at'
import type { FeedForm } from '../feed/feed'
import type { Rate } from '../feed/rate'
import type { UnitSystem } from '../units/unit'
import { convert, toBase } from '../units/unit-table'
import { sentenceOf, tilings, type Piece } from './chart'
import type { Count } from './numbers'
import { wordsOf, type Found, type Sentence, type Term } from './pattern'
import { unitAt, type Said } from './quantities'
import type { NamedMeasure, Read, Words } from './reading'
import { saidAnew } from './said-anew'
import { SentenceReader } from './sentence-reader'
import { measureTerms } from './measure-terms'
import { tokensOf } from './token'
import { print, RULE, type Measure } from './rule-grammar'

const RULE_EXAMPLES = '1 tbsp per gal, 5 ml/l, 15 ml to 4.5 litres, 1:200 or half'
const MAX_RULE = 200

/** What a rule is read with: the tools of a household, and the form of its feed. */
type RuleWords = Pick<Words, 'units' | 'tools' | 'feedForm'>

/** Measures whose size is asked: what they usually hold, mL [common practice]. */
const UNMEASURED: ReadonlyMap<string, readonly number[]> = new Map(
  Object.entries({
    cap: [5, 10, 20],
    capful: [5, 10, 20],
    glug: [10, 25],
    squirt: [2, 5],
    splash: [10, 25],
    drop: [0.05],
    scoop: [5, 15, 30],
    handful: [30, 60],
    can: [5000, 9000],
    jug: [1000, 2000],
    bottle: [500, 1000, 2000],
    bucket: [5000, 10000, 18900],
    spray: [500, 1000],
    spoon: [5, 15],
    spoonful: [5, 15],
    pinch: [0.3],
    dash: [0.6],
    shovel: [1500],
  }),
)

/** Terms of a rule: amounts of feed by any measure, and of water. */
function ruleTerms(known: RuleWords): Record<string, Term> {
  const base = measureTerms(known.units)
  const volumes = (sentence: Sentence, at: number): Found<Said>[] => {
    const own = sentence.term('volume', at) as Found<Said>[]
    return own
  }
  const byName = known.tools.map(({ name, volumeL }) => ({
    words: tokensOf(name).map(({ plain }) => plain),
    name,
    volumeL,
  }))
  /** So many of a tool: `half a cap`, `2 blue jugs`; of several that fit, none where they differ. */
  const tools = (sentence: Sentence, at: number): Found<Measure>[] => {
    const out: Found<Measure>[] = []
    for (const { to, value } of [
      ...(sentence.term('count', at) as Found<Count>[]),
      { to: at, value: { n: 1, low: null } },
    ]) {
      const start = sentence.tokens[to]?.lower === 'the' ? to + 1 : to
      const { plain } = sentence.tokens[start] ?? { plain: '' }
      const fits = byName.filter(({ words }) =>
        words.every((word, i) => sentence.tokens[start + i]?.plain === word),
      )
      const near = fits.length ? [] : byName.filter(({ words }) => words.includes(plain))
      const found = fits.length ? fits : near
      const sizes = new Set(found.map(({ volumeL }) => volumeL))
      const one = found[0]
      const end = start + (fits.length ? Math.max(...fits.map(({ words }) => words.length)) : 1)
      if (one && sizes.size === 1)
        out.push({
          to: end,
          value: { of: 'volume', base: one.volumeL * value.n, text: wordsOf(sentence, at, end) },
        })
      else if (sizes.size > 1)
        out.push({
          to: end,
          value: {
            of: 'volume',
            base: value.n,
            text: wordsOf(sentence, at, end),
            unknown: plain,
            named: found.map(({ name }) => name),
          },
        })
      else if (UNMEASURED.has(plain))
        out.push({
          to: start + 1,
          value: { of: 'volume', base: value.n, text: wordsOf(sentence, at, start + 1), unknown: plain },
        })
    }
    return out
  }
  return {
    ...base,
    measure(sentence, at) {
      const said =
        (of: Measure['of']) =>
        ({ to, value }: Found<Said>): Found<Measure> => ({
          to,
          value: { of, base: value.base, text: value.text },
        })
      const volume = volumes(sentence, at).map(said('volume'))
      const mass = (sentence.term('mass', at) as Found<Said>[]).map(said('mass'))
      // A bare ounce of a powder is a weight, of a liquid a fluid ounce.
      const ends = new Set(mass.map(({ to }) => to))
      const own =
        known.feedForm === 'powder'
          ? [...mass, ...volume.filter(({ to }) => !ends.has(to))]
          : [...volume, ...mass.filter(({ to }) => !volume.some((one) => one.to === to)).map(fluid)]
      const found = tools(sentence, at)
      const bare = own.length ? [] : (sentence.term('bare-volume', at) as Found<Said>[]).map(said('volume'))
      return [
        ...own,
        ...bare,
        ...found.filter(({ to, value }) => !value.unknown || !own.some((one) => one.to >= to)),
      ]
    },
    water(sentence, at) {
      const head = /^(?:the|each|every|one|a|an)$/.test(sentence.tokens[at]?.lower ?? '') ? at + 1 : at
      const ofWater = (to: number) => {
        const end = sentence.tokens[to]?.lower === 'of' ? to + 1 : to
        return sentence.tokens[end]?.lower === 'water' ? end + 1 : to
      }
      const said = volumes(sentence, at).map(({ to, value }): Found<Measure> => ({
        to: ofWater(/^(?:can|jug|bucket|bottle)$/.test(sentence.tokens[to]?.plain ?? '') ? to + 1 : to),
        value: { of: 'volume', base: value.base, text: value.text },
      }))
      const bare = (sentence.term('any-unit', head) as Found<Said>[]).map(
        ({ to, value }): Found<Measure> => ({
          to: ofWater(to),
          value: { of: 'volume', base: value.base, text: value.text },
        }),
      )
      const all = [...said, ...bare, ...tools(sentence, head)]
      return all.map((one) => ({ to: ofWater(one.to), value: one.value }))
    },
    'any-unit': ({ tokens, text: whole }, at) => {
      const found = unitOf(tokens, at, known)
      return found
        ? [
            {
              to: found.to,
              value: {
                base: found.base,
                text: whole.slice(elementAt(tokens, at).from, elementAt(tokens, found.to - 1).to),
                n: 1,
                unit: '',
              },
            },
          ]
        : []
    },
    'mg-per-l': ({ tokens }, at) => {
      const plain = (i: number) => tokens[at + i]?.lower
      if (plain(0) === 'ppm') return [{ to: at + 1, value: true }]
      if (plain(0) !== 'mg') return []
      return plain(1) === '/' || plain(1) === 'per'
        ? /^l(?:itre|iter)?$/.test(plain(2) ?? '')
          ? [{ to: at + 3, value: true }]
          : []
        : []
    },
    'one-to': ({ tokens }, at) => {
      const [, n] = /^1:(\d{2})$/.exec(tokens[at]?.plain ?? '') ?? []
      return n ? [{ to: at + 1, value: Number(n) }] : []
    },
  }
}

function unitOf(tokens: Sentence['tokens'], at: number, { units }: RuleWords) {
  const found = unitAt(tokens, at, 'volume', units)
  return found && { to: found.to, base: toBase(1, found.unit) }
}

const fluid = ({ to, value }: Found<Measure>): Found<Measure> =>
  /\b(?:oz|ounces?)\b/i.test(value.text)
    ? {
        to,
        value: { ...value, of: 'volume', base: (value.base / 28.349523125) * convert(1, 'us-floz', 'L') },
      }
    : { to, value }

const ready = new WeakMap<RuleWords, Record<string, Term>>()

/**
 * Reads a rule of feeding in any of its spellings: `1 tbsp per gal`, `5 ml/l`, `1:200`, `one to two hundred`, `half strength`,
 * `a tenth to a fifth`, `100 ppm`, `5-5-5`, and with the household's own tools by name: `half a cap per watering can`.
 */
export function readRule(said: string, known: RuleWords): Read<Rate> {
  const told = (question: string): Read<Rate> => ({
    meaning: [],
    heard: [],
    questions: [{ question, about: null, choices: [] }],
  })
  if (said.length > MAX_RULE) return told(`That is long: at most ${MAX_RULE} letters.`)
  let terms = ready.get(known)
  if (!terms) ready.set(known, (terms = ruleTerms(known)))
  const sentence = sentenceOf(said, tokensOf(said), terms)
  if (sentence.tokens.length === 0) return told(`Enter a rate. Write it like ${RULE_EXAMPLES}.`)
  return new RuleReader(sentence, known, elementAt(tilings(sentence, RULE), 0).pieces).read()
}

class RuleReader extends SentenceReader<RuleWords> {
  read(): Read<Rate> {
    const rates = this.of('rate')
    const use = rates.filter(({ value }) => (value as Rate).kind !== 'label numbers')
    const [one, second] = use.length ? use : rates
    this.askUnreadRuns(`Write it like ${RULE_EXAMPLES}`)
    if (one && second)
      this.ask(
        `${this.words(one)}, or ${this.words(second)}?`,
        [one, second].map((piece) => ({ name: this.words(piece), text: this.words(piece) })),
      )
    const percent = this.of('percent')[0]
    if (percent) this.askPercent(percent)
    const unmeasured = this.of('unmeasured')[0]
    if (unmeasured) this.askSize(unmeasured)
    const each = this.of('each')[0]
    if (each) this.askWater(each, 'In how much water does each plant get it?', ' for each')
    const alone = this.of('alone')[0]
    if (alone && !each) this.askWater(alone, 'In how much water?', '')
    const between = this.of('between')[0]
    if (between) {
      const { n, low } = between.value as Count
      this.ask(
        `${low} or ${n} mg/L?`,
        [low ?? n, n].map((ppm) => ({ name: `${ppm} mg/L`, text: this.anew(between, `${ppm} ppm`) })),
        between,
      )
    }
    const weak = this.of('weak')[0]
    if (weak && !one)
      this.ask(
        'How weak?',
        ['half strength', 'quarter strength', 'a tenth'].map((words) => ({
          name: words,
          text: this.anew(weak, words),
        })),
        weak,
      )
    if (!one && this.questions.length === 0)
      this.ask(`‘${this.sentence.text.trim()}’ is not a rate. Write it like ${RULE_EXAMPLES}.`)
    return {
      meaning: one && this.questions.length === 0 ? [one.value as Rate] : [],
      heard: this.taking(),
      questions: this.questions,
    }
  }

  /** 1 % may be of the label’s rate, or one part in a hundred. */
  private askPercent(piece: Piece) {
    const n = piece.value as number
    this.ask(
      `${n} % of what?`,
      [
        { name: `${n} % of the label’s rate`, text: this.anew(piece, `${n} % of the label rate`) },
        { name: `1 part in ${print(100 / n)}`, text: this.anew(piece, `1 in ${print(100 / n)}`) },
      ],
      piece,
    )
  }

  /** A cap holds what it holds: it is measured, or one of the usual sizes. */
  private askSize(piece: Piece) {
    const measures = piece.value as readonly Measure[]
    const one = measures.find(({ unknown }) => unknown)
    if (!one?.unknown) return
    const word = one.unknown
    const named = one.named
    if (named) {
      const words = this.words(piece)
      return this.ask(
        `Which ${word}?`,
        named.map((name) => ({
          name,
          text: saidAnew(
            this.sentence.text,
            this.range(piece),
            words.replace(one.text, one.text.replace(new RegExp(word, 'i'), name)),
          ),
        })),
        piece,
      )
    }
    const sizes = UNMEASURED.get(word) ?? []
    this.ask(
      `How much is a ${word}?`,
      sizes.map((ml) => {
        const size = ml >= 1000 ? `${ml / 1000} L` : `${ml} ml`
        const words = this.words(piece)
        const total = ml >= 1000 ? `${print((ml / 1000) * one.base)} L` : `${print(ml * one.base)} ml`
        return {
          name: size,
          text: saidAnew(this.sentence.text, this.range(piece), words.replace(one.text, total)),
        }
      }),
      piece,
    )
  }

  private askWater(piece: Piece, question: string, after: string) {
    const { text: said } = piece.value as Measure
    const waters =
      this.known.units === 'us' ? ['1 cup', '1 quart', '1 gallon'] : ['250 ml', '1 litre', '5 litres']
    this.ask(
      question,
      waters.map((water) => ({
        name: `${water}${after}`,
        text: this.anew(piece, `${said} in ${water}${after && ' each'}`),
      })),
      piece,
    )
  }
}

type ReadRate = { readonly ok: true; readonly rate: Rate } | { readonly ok: false; readonly message: string }

/**
 * The same for a field that takes a rule and nothing else: the rate, or what is asked.
 *
 * @param form a bare `oz` of a liquid is a fluid ounce
 * @example readRate('1:200', 'liquid', 'metric') // ({ ok: true, rate: { kind: 'ratio', n: 200, meaning: null } })
 */
export function readRate(
  text: string,
  form: FeedForm,
  units: UnitSystem,
  tools: readonly NamedMeasure[] = [],
): ReadRate {
  const { meaning, questions } = readRule(text, { units, tools, feedForm: form })
  const [rate] = meaning
  return rate
    ? { ok: true, rate }
    : { ok: false, message: questions[0]?.question ?? `Write it like ${RULE_EXAMPLES}.` }
}
