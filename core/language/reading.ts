import type { Calendar } from './days'
import type { FeedForm } from '../feed/feed'
import { nameBook, type NameBook, type NamedCrop, type NamedPacket } from './name-book'
import type { KnownVessel } from './vessel-measures'
import type { NewVessel } from './vessels'
import type { UnitSystem } from '../units/unit'

/** Some words, where they stand in the text, and what they were taken for. */
export interface Heard {
  readonly text: string
  readonly from: number
  readonly to: number
  /** What kind of thing it is: `amount`, `crop`, `day`; `filler` for words that carry nothing, `unread` for what was not understood. */
  readonly as: string
  /** What it was taken for, in a few words. */
  readonly means: string
}

/** Something that has to be said before it can be planned or written. */
export interface Question {
  readonly question: string
  /** The words it is about, where it is about some. */
  readonly about: { readonly from: number; readonly to: number } | null
  /** What it may be: pressing one says the whole anew. */
  readonly choices: readonly Choice[]
}
export interface Choice {
  readonly name: string
  readonly text: string
  /** A container that nobody has yet, to be made on the way. */
  readonly makes?: NewVessel
}

/** A text as it was read. */
export interface Read<Meaning> {
  /** One for each thing that is planned, written or changed; what is asked is still missing in it. */
  readonly meaning: readonly Meaning[]
  readonly heard: readonly Heard[]
  readonly questions: readonly Question[]
}

/** What a household calls by name, its days and its kitchen, as plain data: it can be handed to a worker. */
export interface Words extends Calendar {
  readonly units: UnitSystem
  readonly crops: readonly NamedCrop[]
  readonly packets: readonly NamedPacket[]
  readonly vessels: readonly KnownVessel[]
  readonly recipes: readonly Called[]
  /** By any of their names; those a household has not got have no id, and are asked about. */
  readonly places: readonly { readonly id: string | null; readonly name: string; readonly shown?: string }[]
  /** Crops that are also sown for autumn. */
  readonly autumnCrops: readonly string[]
  readonly trays: readonly KnownTray[]
  readonly sowings: readonly KnownSowing[]
  readonly batches: readonly { readonly id: string; readonly number: number }[]
  readonly materials: readonly KnownMaterial[]
  /** Materials and feeds the household has at hand. */
  readonly atHand: readonly string[]
  readonly feeds: readonly Called[]
  /** Tools and vessels that a rule of feeding may name. */
  readonly tools: readonly NamedMeasure[]
  /** Of the feed a rule is for: a bare ounce of a liquid is a fluid ounce. */
  readonly feedForm: FeedForm
}
/** The same, ready to be read with. */
export interface Known extends Words {
  readonly names: NameBook
}
export const knownFrom = (words: Words): Known => ({ ...words, names: nameBook(words.crops, words.packets) })

/** What can be read without a household. */
export const NOTHING_KNOWN = {
  ...{
    crops: [],
    packets: [],
    vessels: [],
    recipes: [],
    places: [],
    autumnCrops: [],
    trays: [],
    sowings: [],
    batches: [],
  },
  ...{ materials: [], atHand: [], feeds: [], tools: [], feedForm: 'liquid' },
} as const satisfies Partial<Words>

/** A tool or vessel of the household: `half a cap`, `1 tsp per watering can`. */
export interface NamedMeasure {
  readonly name: string
  readonly volumeL: number
}
/** A material by its names, and what it comes in. */
export interface KnownMaterial {
  readonly id: string
  readonly name: string
  readonly kind: 'medium' | 'amendment'
  readonly dryBulkDensityGPerL: number
  readonly packs: readonly { readonly name: string }[]
}
export interface Called {
  readonly id: string
  readonly name: string
}
export interface KnownSowing extends Called {
  readonly cropId: string
  /** Plants it is planned for, and how many stand; null where nobody knows. */
  readonly plants?: number | null
  readonly standing?: number | null
}
/** A group of a tray, as far as a sentence can be about it. */
export interface KnownGroup extends Partial<GroupCounts> {
  readonly code: string
  readonly name: string
  readonly cropId: string
  readonly sowingId: string | null
}
/** How a group stands, where it is known. */
interface GroupCounts {
  readonly sown: number
  readonly up: number
  readonly standing: number
}
export interface KnownTray {
  readonly id: string
  readonly number: number
  readonly groups: readonly KnownGroup[]
}

/** A longer text than anybody says in one go is not read [default]. */
export const MAX_LETTERS = 600
