import { present } from '#core/present'
import { fromFirst } from '../archive/first-version'
import * as z from 'zod'
import { deflateSync, Inflate, strFromU8, strToU8 } from 'fflate'
import { printNumber } from '#core/units/format'
import type { Bodies } from '../records/collections'
import type { Collection } from '../records/collection-names'
import { bodyOf, repointed } from '../records/collections'
import { container } from '../records/container'
import { feed } from '../records/feed'
import { material } from '../records/material'
import { programme } from '../records/programme'
import { recipe } from '../records/recipe'
import { referred } from '../records/references'
import { id } from '../records/rules'

/*
 * A recipe, a feed or a schedule to hand on: a small JSON document that holds whatever of one’s own it is made of, so that it can be
 * opened anywhere. The same document travels as a link, in the part after #, which no server ever sees.
 */

export const CARD_FORMAT = 'blastomix card'
export const CARD_VERSION = 2

/** Own rows it points at, that go with it. */
const needs = z.object({
  materials: z
    .array(z.object({ id, body: material }))
    .max(40)
    .default([]),
  containers: z
    .array(z.object({ id, body: container }))
    .max(40)
    .default([]),
  feeds: z
    .array(z.object({ id, body: feed }))
    .max(5)
    .default([]),
  recipes: z
    .array(z.object({ id, body: recipe }))
    .max(10)
    .default([]),
})
const head = { format: z.literal(CARD_FORMAT), version: z.literal(CARD_VERSION), needs }
export const card = z.discriminatedUnion('kind', [
  z.object({ ...head, kind: z.literal('recipe'), body: recipe }),
  z.object({ ...head, kind: z.literal('feed'), body: feed }),
  z.object({ ...head, kind: z.literal('schedule'), body: programme }),
])
export type Card = z.output<typeof card>
export const COLLECTION_OF = { recipe: 'recipes', feed: 'feeds', schedule: 'programmes' } as const
type Needed = keyof Card['needs']
const NEEDED: readonly Needed[] = ['materials', 'containers', 'feeds', 'recipes']

type Lists = { readonly [C in Needed]: readonly { readonly id: string; readonly body: Bodies[C] }[] }

/** A card of what is kept: without what is true of one bench only, and with the own rows it is made of. */
export function cardOf(kind: Card['kind'], body: Card['body'], lists: Lists): Card {
  const own = bare(kind, body)
  const found: Record<Needed, { id: string; body: unknown }[]> = {
    materials: [],
    containers: [],
    feeds: [],
    recipes: [],
  }
  const wanted = (collection: Collection, one: object) => {
    for (const { id: each, among } of referred(collection, one as never))
      for (const target of NEEDED.filter((name) => (among as readonly string[]).includes(name))) {
        const row = lists[target].find((other) => other.id === each)
        if (!row || found[target].some((other) => other.id === each)) continue
        const rowBody = target === 'recipes' ? bare('recipe', row.body as Card['body']) : row.body
        found[target].push({ id: each, body: rowBody })
        wanted(target, rowBody as object)
      }
  }
  wanted(COLLECTION_OF[kind], own)
  return card.parse({ format: CARD_FORMAT, version: CARD_VERSION, kind, needs: found, body: own })
}
/** What was said of one bench, or belongs to one season, stays there. */
function bare(kind: Card['kind'], body: Card['body']): Card['body'] {
  if (kind === 'recipe') return { ...(body as Bodies['recipes']), worksIn: [], homeTests: [] }
  if (kind === 'schedule') return { ...(body as Bodies['programmes']), batchId: null, startOn: null }
  return body
}

/** A link holds the whole card; a message of more than this is cut by what carries it. */
export const MAX_LINK_LETTERS = 8000
/** What a link unfolds to at most. */
const MAX_CARD_BYTES = 128 * 1024

const toBase64Url = (bytes: Uint8Array): string =>
  btoa(String.fromCharCode(...bytes))
    .replace(/\+/g, '-')
    .replace(/\//g, '_')
    .replace(/=+$/, '')
const fromBase64Url = (text: string): Uint8Array =>
  Uint8Array.from(atob(text.replace(/-/g, '+').replace(/_/g, '/')), (letter) => letter.charCodeAt(0))

/** The card as the part of a link after #. */
export const asFragment = (one: Card): string =>
  toBase64Url(deflateSync(strToU8(JSON.stringify(one)), { level: 9 }))

/** @throws RangeError where it holds no card, in words */
export function fromFragment(fragment: string): Card {
  let text: string
  try {
    text = unfolded(fromBase64Url(fragment))
  } catch (error) {
    throw error instanceof RangeError
      ? error
      : new RangeError('This link was cut on its way: ask for it again, or for the file.')
  }
  return readCard(text)
}
function unfolded(bytes: Uint8Array): string {
  const chunks: Uint8Array[] = []
  let size = 0
  const inflate = new Inflate((chunk) => {
    size += chunk.length
    if (size > MAX_CARD_BYTES)
      throw new RangeError('This link unfolds to more than any recipe. It was not opened.')
    chunks.push(chunk)
  })
  for (let from = 0; from < bytes.length; from += 4096)
    inflate.push(bytes.subarray(from, from + 4096), from + 4096 >= bytes.length)
  const whole = new Uint8Array(size)
  let at = 0
  for (const chunk of chunks) {
    whole.set(chunk, at)
    at += chunk.length
  }
  return strFromU8(whole)
}

/** A card of version 1 as it is written now. */
function upgraded(said: Record<string, unknown>): unknown {
  if (said.version !== 1) return said
  const now = { ...said, version: CARD_VERSION }
  return said.kind === 'ladder' ? { ...now, kind: 'schedule', body: fromFirst('programmes', said.body) } : now
}

/** A card as JSON. @throws RangeError in words of what is wrong */
export function readCard(text: string): Card {
  let said: unknown
  try {
    said = JSON.parse(text)
  } catch {
    throw new RangeError('This is no card of a recipe, a feed or a schedule: it is not JSON.')
  }
  if ((said as { format?: unknown } | null)?.format !== CARD_FORMAT)
    throw new RangeError('This is JSON, but no card of a recipe, a feed or a schedule.')
  const read = card.safeParse(upgraded(said as Record<string, unknown>))
  if (read.success) return read.data
  const [issue] = read.error.issues
  throw new RangeError(
    `This card is damaged at ${present(issue).path.join('.') || 'its head'}: ${present(issue).message}`,
  )
}

/** Rows that are to be written to keep a card here, each before what points at it; what is here already, the same, is used. */
export function rowsOf(
  one: Card,
  lists: Lists,
  newId: () => string,
): { collection: Needed | 'programmes'; id: string; body: object }[] {
  const rows: { collection: Needed | 'programmes'; id: string; body: object }[] = []
  const renamed = new Map<string, string>()
  const pointing = (collection: Collection, body: object): object =>
    [...renamed].reduce(
      (now, [from, to]) => pathsOf(collection).reduce((each, path) => repointed(each, path, from, to), now),
      body,
    )
  for (const target of NEEDED)
    for (const row of one.needs[target]) {
      const body = pointing(target, row.body)
      const same = lists[target].find((here) => sameBut(here.body, body))
      if (same) renamed.set(row.id, same.id)
      else {
        const own = newId()
        renamed.set(row.id, own)
        rows.push({ collection: target, id: own, body })
      }
    }
  const collection = COLLECTION_OF[one.kind]
  rows.push({
    collection,
    id: newId(),
    body: bodyOf(collection).parse(pointing(collection, one.body)) as object,
  })
  return rows
}
const sameBut = (a: object, b: object) => {
  const plain = (body: object) => JSON.stringify({ ...body, worksIn: [], homeTests: [] })
  return plain(a) === plain(b)
}
const POINTING: { readonly [C in Collection]?: readonly string[] } = {
  recipes: ['parts.*.materialId', 'extras.*.materialId'],
  programmes: ['feedId', 'stages.*.containerId', 'stages.*.recipeId'],
}
const pathsOf = (collection: Collection) => POINTING[collection] ?? []

/** Names of what a card is made of. */
export interface CardNames {
  readonly material: (id: string) => string
  readonly container: (id: string) => string
  readonly feed: (id: string) => string
  readonly mix: (id: string) => string
  readonly growthStage: (id: string) => string
}

/** The card for a message: a heading and a line each; with Markdown, as a list. */
export function asWords({ kind, body }: Card, names: CardNames, markdown: boolean): string {
  const item = markdown ? '- ' : ''
  const lines = (all: readonly string[]) => all.map((line) => `${item}${line}`)
  const title = markdown ? `## ${body.name}` : body.name
  if (kind === 'recipe') {
    const { parts, extras, reasoning } = body
    return [
      title,
      ...(reasoning ? ['', reasoning] : []),
      '',
      ...lines(
        parts.map(
          (one) =>
            `${printNumber(one.parts)} ${one.parts === 1 ? 'part' : 'parts'} ${names.material(one.materialId)}`,
        ),
      ),
      ...lines(
        extras.map((one) => `${printNumber(one.gPerL)} g ${names.material(one.materialId)} per litre`),
      ),
      '',
    ].join('\n')
  }
  if (kind === 'feed') {
    const { form, nPercent, p2o5Percent, k2oPercent, labelRatePerL, organic } = body
    return [
      title,
      '',
      ...lines([
        `N – P₂O₅ – K₂O ${nPercent} – ${p2o5Percent} – ${k2oPercent}, ${form}${organic ? ', organic' : ''}`,
        ...(labelRatePerL
          ? [`By its label ${printNumber(labelRatePerL)} ${form === 'powder' ? 'g' : 'mL'} a litre`]
          : []),
      ]),
      '',
    ].join('\n')
  }
  const { feedId, stages, plants } = body
  return [
    title,
    '',
    ...lines([
      `With ${names.feed(feedId)}, for ${plants} plants`,
      ...stages.map(
        (stage) =>
          `${names.growthStage(stage.growthStageId)}: ${stage.days} days in ${names.container(stage.containerId)}${stage.recipeId ? `, ${names.mix(stage.recipeId)}` : ''}; ${printNumber(stage.nMgPerL)} mg/L nitrogen every ${stage.everyDays} days`,
      ),
    ]),
    '',
  ].join('\n')
}
