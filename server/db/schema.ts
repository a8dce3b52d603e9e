import type { Day } from '#core/calendar/day'
import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  check,
  customType,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  json,
  jsonb,
  pgPolicy,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import type { Bodies } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import type { BatchRecord } from '#shared/records/batch'
import type { ContainerRecord } from '#shared/records/container'
import type { CropRecord } from '#shared/records/crop'
import type { FeedRecord } from '#shared/records/feed'
import type { Quantity } from '#core/readings/kinds'
import type { DeviceRecord } from '#shared/records/device'
import type { EntryRecord } from '#shared/records/entry'
import type { PacketRecord } from '#shared/records/packet'
import type { MaterialRecord } from '#shared/records/material'
import type { ProgrammeRecord } from '#shared/records/programme'
import type { Recipe } from '#shared/records/recipe'
import type { HouseholdRecord } from '#shared/records/household'
import type { SowingRecord } from '#shared/records/sowing'
import type { StockRecord } from '#shared/records/stock'
import type { ToolRecord } from '#shared/records/tool'
import type { GuidedJobRecord } from '#shared/records/guided-job'
import type { PhotoRecord } from '#shared/records/photo'
import type { TrayRecord } from '#shared/records/tray'
import type { TrialRecord } from '#shared/records/trial'
import type { WrittenRecord } from '#shared/commands/written'

/*
 * household_id leads every primary key, so that the same tables can be spread over machines or fenced by
 * row-level security. Lists that belong to one record and are always read and written whole with it (parts,
 * fills) are jsonb, checked by the schemas in shared/ on the way in.
 */

/** Rows are seen and written by the household that is set for the transaction, and by no other: `own_household()` says which. */
const sealed = () => {
  const own = sql`household_id = own_household()`
  return pgPolicy('own_household', { using: own, withCheck: own })
}

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })

const versioned = () => ({
  version: integer().notNull().default(1),
  createdAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
  updatedAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
})

export const households = pgTable(
  'household',
  {
    householdId: uuid().primaryKey(),
    name: text().notNull(),
    place: text().notNull(),
    units: text().$type<HouseholdRecord['units']>().notNull(),
    water: jsonb().$type<HouseholdRecord['water']>(),
    season: jsonb().$type<HouseholdRecord['season']>(),
    learning: jsonb().$type<HouseholdRecord['learning']>(),
    timeZone: text(),
    clock: jsonb().$type<HouseholdRecord['clock']>(),
    away: jsonb().$type<HouseholdRecord['away']>().notNull().default([]),
    people: jsonb().$type<HouseholdRecord['people']>().notNull().default([]),
    formats: jsonb().$type<HouseholdRecord['formats']>(),
    /** Counts every write of the household, its own and of what it keeps. */
    changes: bigint({ mode: 'number' }).notNull().default(0),
    ...versioned(),
    /** Set when removed; for thirty days it can be brought back. */
    deletedAt: timestamp({ withTimezone: true, mode: 'string' }),
  },
  () => [sealed()],
)

const owned = () => ({
  householdId: uuid()
    .notNull()
    .references(() => households.householdId, { onDelete: 'cascade' }),
  id: uuid().notNull(),
  name: text().notNull(),
  ...versioned(),
  /** Set when removed; kept so that removing can be undone and old batches still find their containers. */
  deletedAt: timestamp({ withTimezone: true, mode: 'string' }),
})

export const recipes = pgTable(
  'recipe',
  {
    ...owned(),
    reasoning: text().notNull(),
    parts: jsonb().$type<Recipe['parts']>().notNull(),
    extras: jsonb().$type<Recipe['extras']>().notNull().default([]),
    preparations: jsonb().$type<Recipe['preparations']>().notNull().default([]),
    worksIn: jsonb().$type<Recipe['worksIn']>().notNull().default([]),
    homeTests: jsonb().$type<Recipe['homeTests']>().notNull().default([]),
  },
  (table) => [sealed(), primaryKey({ columns: [table.householdId, table.id] })],
)

export const materials = pgTable(
  'material',
  {
    ...owned(),
    basedOn: text(),
    figures: jsonb().$type<MaterialRecord['figures']>().notNull(),
    packL: doublePrecision().notNull(),
    sustainability: text().notNull(),
  },
  (table) => [sealed(), primaryKey({ columns: [table.householdId, table.id] })],
)

export const containers = pgTable(
  'container',
  {
    ...owned(),
    basedOn: text(),
    kind: text().$type<ContainerRecord['kind']>().notNull(),
    cells: integer().notNull(),
    shape: jsonb().$type<ContainerRecord['shape']>().notNull(),
    measuredVolumeMl: doublePrecision(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    check('container_cells', sql`${table.cells} > 0`),
    check('container_measured_volume', sql`${table.measuredVolumeMl} > 0`),
  ],
)

export const feeds = pgTable(
  'feed',
  {
    ...owned(),
    basedOn: text(),
    form: text().$type<FeedRecord['form']>().notNull(),
    nPercent: doublePrecision().notNull(),
    p2o5Percent: doublePrecision().notNull(),
    k2oPercent: doublePrecision().notNull(),
    densityGPerMl: doublePrecision(),
    labelRatePerL: doublePrecision(),
    organic: boolean().notNull(),
    caPercent: doublePrecision().notNull().default(0),
    mgPercent: doublePrecision().notNull().default(0),
    sPercent: doublePrecision().notNull().default(0),
    fePercent: doublePrecision().notNull().default(0),
    clPercent: doublePrecision().notNull().default(0),
    nForms: jsonb().$type<FeedRecord['nForms']>(),
    ecSlopeMsPerCm: doublePrecision(),
    use: text().$type<FeedRecord['use']>().notNull().default('dissolved'),
    strengthGuessed: boolean().notNull().default(false),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    check(
      'feed_label',
      sql`${table.nPercent} >= 0 and ${table.p2o5Percent} >= 0 and ${table.k2oPercent} >= 0 and ${table.nPercent} + ${table.p2o5Percent} + ${table.k2oPercent} <= 100`,
    ),
  ],
)

export const tools = pgTable(
  'tool',
  { ...owned(), kind: text().$type<ToolRecord['kind']>().notNull(), capacityMl: doublePrecision() },
  (table) => [sealed(), primaryKey({ columns: [table.householdId, table.id] })],
)

export const batches = pgTable(
  'batch',
  {
    ...owned(),
    number: integer().notNull(),
    recipeId: text(),
    parts: jsonb().$type<BatchRecord['parts']>().notNull(),
    fills: jsonb().$type<BatchRecord['fills']>().notNull(),
    allowances: jsonb().$type<BatchRecord['allowances']>().notNull(),
    scoop: jsonb().$type<BatchRecord['scoop']>().notNull(),
    packIds: jsonb().$type<BatchRecord['packIds']>().notNull(),
    extras: jsonb().$type<BatchRecord['extras']>().notNull().default([]),
    preparations: jsonb().$type<BatchRecord['preparations']>().notNull().default([]),
    dampness: text().$type<BatchRecord['dampness']>().notNull().default('damp'),
    feel: text().$type<BatchRecord['feel']>().notNull().default('wrung-out sponge'),
    tubL: doublePrecision(),
    lowerParts: jsonb().$type<BatchRecord['lowerParts']>().notNull().default([]),
    lowerRecipeId: text(),
    onDate: date({ mode: 'string' }).$type<Day>(),
    sowings: jsonb().$type<BatchRecord['sowings']>().notNull().default([]),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    unique('batch_number').on(table.householdId, table.number),
  ],
)

export const feedings = pgTable(
  'feeding',
  {
    ...owned(),
    feedId: text().notNull(),
    growthStageId: text().notNull(),
    targetNMgPerL: doublePrecision().notNull(),
    vessel: jsonb().$type<BatchRecord['scoop']>().notNull(),
    batchId: uuid(),
    toolId: text(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    foreignKey({
      columns: [table.householdId, table.batchId],
      foreignColumns: [batches.householdId, batches.id],
    }),
  ],
)

/** The feeds from seed leaves to hardening off. */
export const programmes = pgTable(
  'programme',
  {
    ...owned(),
    feedId: text().notNull(),
    appetite: text().$type<ProgrammeRecord['appetite']>().notNull(),
    method: text().$type<ProgrammeRecord['method']>().notNull(),
    plants: integer().notNull(),
    batchId: uuid(),
    startOn: date({ mode: 'string' }).$type<Day>(),
    stages: jsonb().$type<ProgrammeRecord['stages']>().notNull(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    foreignKey({
      columns: [table.householdId, table.batchId],
      foreignColumns: [batches.householdId, batches.id],
    }),
  ],
)

/** A kind of pack on the shelf. */
export const stocks = pgTable(
  'stock',
  {
    ...owned(),
    kind: text().$type<StockRecord['kind']>().notNull(),
    goodsId: text().notNull(),
    size: jsonb().$type<StockRecord['size']>().notNull(),
    price: doublePrecision(),
    packs: doublePrecision().notNull(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    check('stock_packs', sql`${table.packs} >= 0`),
    check('stock_price', sql`${table.price} >= 0`),
  ],
)

/** A household's own crops, and its corrections of those in the book. */
export const crops = pgTable(
  'crop',
  {
    ...owned(),
    basedOn: text(),
    family: text().$type<CropRecord['family']>().notNull(),
    figures: jsonb().$type<CropRecord['figures']>().notNull(),
  },
  (table) => [sealed(), primaryKey({ columns: [table.householdId, table.id] })],
)

export const packets = pgTable(
  'packet',
  {
    ...owned(),
    cropId: text().notNull(),
    supplier: text().notNull(),
    year: integer().notNull(),
    seeds: integer(),
    germination: doublePrecision(),
    upDays: jsonb().$type<PacketRecord['upDays']>(),
    depthMm: doublePrecision(),
    spacingMm: doublePrecision(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    check('packet_seeds', sql`${table.seeds} >= 0`),
    check('packet_germination', sql`${table.germination} > 0 and ${table.germination} <= 1`),
  ],
)

export const sowings = pgTable(
  'sowing',
  {
    ...owned(),
    cropId: text().notNull(),
    packetId: uuid(),
    plants: integer().notNull(),
    cells: doublePrecision(),
    season: text().$type<SowingRecord['season']>().notNull(),
    outOn: date({ mode: 'string' }).$type<Day>(),
    sowOn: date({ mode: 'string' }).$type<Day>(),
    /** The day an entry says it went out or was given up; kept by the ledger, so that finished years are passed over. */
    overOn: date({ mode: 'string' }).$type<Day>(),
    germination: doublePrecision(),
    certainty: doublePrecision().notNull(),
    seedsPerCell: integer(),
    depthMm: doublePrecision(),
    scheduleId: text(),
    placeId: text(),
    stages: jsonb().$type<SowingRecord['stages']>(),
    note: text().notNull().default(''),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    foreignKey({
      columns: [table.householdId, table.packetId],
      foreignColumns: [packets.householdId, packets.id],
    }),
    index('sowing_open')
      .on(table.householdId, table.createdAt)
      .where(sql`over_on is null and deleted_at is null`),
  ],
)

/** Trays that stand: what each is to hold. What happened in them is in the ledger. */
export const trays = pgTable(
  'tray',
  {
    ...owned(),
    number: integer().notNull(),
    containerId: text().notNull(),
    rows: integer().notNull(),
    columns: integer().notNull(),
    turned: boolean().notNull(),
    corner: text().$type<TrayRecord['corner']>().notNull(),
    placeId: text(),
    cut: jsonb().$type<TrayRecord['cut']>(),
    batchId: uuid(),
    recipeId: text(),
    groups: jsonb().$type<TrayRecord['groups']>().notNull(),
    cells: jsonb().$type<TrayRecord['cells']>().notNull(),
    emptiedOn: date({ mode: 'string' }).$type<Day>(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    foreignKey({
      columns: [table.householdId, table.batchId],
      foreignColumns: [batches.householdId, batches.id],
    }),
    unique('tray_number').on(table.householdId, table.number),
    check('tray_cells', sql`jsonb_array_length(${table.cells}) = ${table.rows} * ${table.columns}`),
  ],
)

/** Jobs at the bench, step by step, with every mark of every hand. */
export const guidedJobs = pgTable(
  'guided_job',
  {
    ...owned(),
    kind: text().$type<GuidedJobRecord['kind']>().notNull(),
    subjects: jsonb().$type<GuidedJobRecord['subjects']>().notNull(),
    onDay: date({ mode: 'string' }).$type<Day>().notNull(),
    hands: integer().notNull(),
    by: text().notNull(),
    status: text().$type<GuidedJobRecord['status']>().notNull(),
    marks: jsonb().$type<GuidedJobRecord['marks']>().notNull(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    index('guided_job_status').on(table.householdId, table.status),
  ],
)

/** Every word of an entry, as it stands and by its stem: what is searched, and what the index on it is made of. */
export const ENTRY_WORDS = sql`(to_tsvector('simple', kind || ' ' || name || ' ' || note || ' ' || "to" || ' ' || "by") || to_tsvector('english', name || ' ' || note))`

/**
 * The ledger: what happened, and what it moved. Entries are only ever added, in the order of `number`; one that is taken
 * back is voided. The season is read since its oldest open sowing, and by what ended the others.
 */
export const entries = pgTable(
  'entry',
  {
    ...owned(),
    /** Counts up within the household, in the order of writing. */
    number: bigint({ mode: 'number' }).notNull(),
    kind: text().$type<EntryRecord['kind']>().notNull(),
    on: date({ mode: 'string' }).$type<Day>().notNull(),
    at: text(),
    by: text().notNull(),
    subjects: jsonb().$type<EntryRecord['subjects']>().notNull(),
    to: text().notNull(),
    note: text().notNull(),
    times: doublePrecision().notNull(),
    evenIfShort: boolean().notNull(),
    count: integer(),
    cells: jsonb().$type<EntryRecord['cells']>().notNull().default([]),
    water: jsonb().$type<EntryRecord['water']>().notNull().default([]),
    actual: jsonb().$type<EntryRecord['actual']>(),
    placeId: text(),
    signs: jsonb().$type<EntryRecord['signs']>().notNull().default([]),
    grams: doublePrecision(),
    remindOn: date({ mode: 'string' }).$type<Day>(),
    climate: jsonb().$type<EntryRecord['climate']>().notNull().default([]),
    measured: jsonb().$type<EntryRecord['measured']>().notNull().default([]),
    carried: jsonb().$type<EntryRecord['carried']>().notNull().default([]),
    part: boolean().notNull().default(false),
    snoozedUntil: date({ mode: 'string' }).$type<Day>(),
    act: uuid(),
    moves: jsonb().$type<EntryRecord['moves']>().notNull(),
    facts: jsonb().$type<EntryRecord['facts']>().notNull(),
    /** Set when it was taken back. */
    deletedAt: timestamp('voided_at', { withTimezone: true, mode: 'string' }),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    index('entry_since').on(table.householdId, table.createdAt),
    // Every look-up would read through what was not sorted in yet.
    index('entry_subjects')
      .using('gin', sql`${table.subjects} jsonb_path_ops`)
      .with({ fastupdate: false }),
    unique('entry_number').on(table.householdId, table.number),
    // The log, from today back: by the day it happened, those of a day as they were written.
    index('entry_day')
      .on(table.householdId, table.on.desc().nullsFirst(), table.number.desc().nullsFirst())
      .where(sql`voided_at is null`),
    index('entry_kind')
      .on(table.householdId, table.kind, table.on.desc().nullsFirst(), table.number.desc().nullsFirst())
      .where(sql`voided_at is null`),
    index('entry_place')
      .on(table.householdId, table.placeId, table.on.desc().nullsFirst(), table.number.desc().nullsFirst())
      .where(sql`voided_at is null and place_id is not null`),
    index('entry_remind')
      .on(table.householdId, table.remindOn)
      .where(sql`voided_at is null and remind_on is not null`),
    index('entry_measured')
      .on(table.householdId, table.number)
      .where(sql`voided_at is null and measured <> '[]'::jsonb`),
    index('entry_words').using('gin', ENTRY_WORDS).with({ fastupdate: false }),
    index('entry_voided')
      .on(table.householdId, table.deletedAt)
      .where(sql`voided_at is not null`),
  ],
)

/** What was set up to be compared, before it was sown. */
export const trials = pgTable(
  'trial',
  {
    ...owned(),
    question: text().$type<TrialRecord['question']>().notNull(),
    on: date({ mode: 'string' }).$type<Day>().notNull(),
    seed: integer().notNull(),
    blind: boolean().notNull(),
    arms: jsonb().$type<TrialRecord['arms']>().notNull(),
    note: text().notNull(),
    endedOn: date({ mode: 'string' }).$type<Day>(),
  },
  (table) => [sealed(), primaryKey({ columns: [table.householdId, table.id] })],
)

/** Pictures: of what, when. What they show lies in files of their own. */
export const photos = pgTable(
  'photo',
  {
    ...owned(),
    fileId: uuid().notNull(),
    on: date({ mode: 'string' }).$type<Day>().notNull(),
    subjects: jsonb().$type<PhotoRecord['subjects']>().notNull(),
    placeId: text(),
    width: integer().notNull(),
    height: integer().notNull(),
    note: text().notNull(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    index('photo_day')
      .on(table.householdId, table.on.desc().nullsFirst())
      .where(sql`deleted_at is null`),
    index('photo_subjects')
      .using('gin', sql`${table.subjects} jsonb_path_ops`)
      .with({ fastupdate: false }),
  ],
)

/** The pictures themselves, made small and without a word of where they were taken: WebP, with a thumbnail. */
export const photoFiles = pgTable(
  'photo_file',
  {
    householdId: uuid()
      .notNull()
      .references(() => households.householdId, { onDelete: 'cascade' }),
    id: uuid().notNull(),
    /** Checksum of what was sent: the same picture is kept once. */
    digest: text().notNull(),
    takenOn: date({ mode: 'string' }).$type<Day>(),
    width: integer().notNull(),
    height: integer().notNull(),
    image: bytea().notNull(),
    thumbnail: bytea().notNull(),
    createdAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    unique('photo_file_digest').on(table.householdId, table.digest),
  ],
)

/** What sends readings: real or simulated. */
export const devices = pgTable(
  'device',
  {
    ...owned(),
    kind: text().$type<DeviceRecord['kind']>().notNull(),
    placeId: text(),
    trayId: uuid(),
    simulated: boolean().notNull(),
    fault: text().$type<DeviceRecord['fault']>(),
    calibratedAt: text(),
  },
  (table) => [sealed(), primaryKey({ columns: [table.householdId, table.id] })],
)

/** The keys a device sent with, as checksums: what was shown once is not kept. Those that were replaced are its history. */
export const deviceKeys = pgTable(
  'device_key',
  {
    householdId: uuid()
      .notNull()
      .references(() => households.householdId, { onDelete: 'cascade' }),
    deviceId: uuid().notNull(),
    digest: text().notNull(),
    createdAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
    /** When another took its place; null for the one that counts. */
    replacedAt: timestamp({ withTimezone: true, mode: 'string' }),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.digest] }),
    uniqueIndex('device_key_that_counts')
      .on(table.householdId, table.deviceId)
      .where(sql`replaced_at is null`),
  ],
)

/** Households written before every reference was looked up: each is looked through once (server/services/mend-references.ts). */
export const unchecked = pgTable(
  'unchecked_household',
  {
    householdId: uuid()
      .primaryKey()
      .references(() => households.householdId, { onDelete: 'cascade' }),
  },
  () => [sealed()],
)

/** Households that were made to look at: from where, and when one was last opened. */
export const examples = pgTable(
  'example',
  {
    householdId: uuid()
      .primaryKey()
      .references(() => households.householdId, { onDelete: 'cascade' }),
    /** A checksum of the address it was made from. */
    madeFrom: text().notNull(),
    openedAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
  },
  () => [sealed()],
)

/** What devices read, in the unit of its quantity. After a month five minutes are one row, with how many it was made of. */
export const readings = pgTable(
  'reading',
  {
    householdId: uuid()
      .notNull()
      .references(() => households.householdId, { onDelete: 'cascade' }),
    deviceId: uuid().notNull(),
    quantity: text().$type<Quantity>().notNull(),
    name: text().notNull().default(''),
    at: timestamp({ withTimezone: true, mode: 'string' }).notNull(),
    value: doublePrecision().notNull(),
    count: integer().notNull().default(1),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.deviceId, table.quantity, table.name, table.at] }),
    // What is still to be thinned: raw readings stand at a whole second.
    index('reading_raw')
      .on(table.at)
      .where(sql`date_trunc('second', "at" at time zone 'UTC') = "at" at time zone 'UTC'`),
  ],
)

/** The weather of days: as it was, and as it is forecast. */
export const weatherDays = pgTable(
  'weather_day',
  {
    householdId: uuid()
      .notNull()
      .references(() => households.householdId, { onDelete: 'cascade' }),
    on: date({ mode: 'string' }).$type<Day>().notNull(),
    source: text().$type<'history' | 'forecast'>().notNull(),
    lowC: doublePrecision().notNull(),
    highC: doublePrecision().notNull(),
    rainMm: doublePrecision(),
    windMPerS: doublePrecision(),
    sunHours: doublePrecision(),
    /** The day it was forecast on; of history the day itself. */
    madeOn: date({ mode: 'string' }).$type<Day>().notNull(),
    simulated: boolean().notNull().default(false),
  },
  (table) => [sealed(), primaryKey({ columns: [table.householdId, table.on, table.source] })],
)

/**
 * Acts that were done: by whom, with which commands, and what they wrote, so that each can be undone. One that is sent again is
 * done once: within a month it is answered word for word, later as it stands then.
 */
export const acts = pgTable(
  'act',
  {
    householdId: uuid()
      .notNull()
      .references(() => households.householdId, { onDelete: 'cascade' }),
    id: uuid().notNull(),
    /** Checksum of what was asked, so that no other request borrows the id. */
    asked: text().notNull(),
    /** Word for word: the second answer is the first. Null once it is too old. */
    answer: json().$type<object>(),
    at: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
    by: text().notNull().default(''),
    /** Names of the commands, in order. */
    commands: jsonb().$type<string[]>().notNull().default([]),
    wrote: jsonb().$type<WrittenRecord[]>().notNull().default([]),
    /** The act that this one undoes. */
    undoes: uuid(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.id] }),
    index('act_at').on(table.at),
    index('act_latest').on(table.householdId, table.at.desc().nullsFirst()),
  ],
)

/** What a record was before it was changed or removed. */
export const revisions = pgTable(
  'revision',
  {
    householdId: uuid()
      .notNull()
      .references(() => households.householdId, { onDelete: 'cascade' }),
    collection: text().$type<Collection>().notNull(),
    id: uuid().notNull(),
    version: integer().notNull(),
    body: jsonb().$type<object>().notNull(),
    writtenAt: timestamp({ withTimezone: true, mode: 'string' }).notNull(),
  },
  (table) => [
    sealed(),
    primaryKey({ columns: [table.householdId, table.collection, table.id, table.version] }),
  ],
)

export const TABLES = {
  recipes,
  materials,
  containers,
  feeds,
  tools,
  batches,
  feedings,
  programmes,
  stocks,
  crops,
  packets,
  sowings,
  trays,
  guidedJobs,
  trials,
  photos,
  devices,
  entries,
} as const

/** Columns every collection has; the rest are the fields of its records. */
type Common =
  'householdId' | 'id' | 'version' | 'createdAt' | 'updatedAt' | 'deletedAt' | 'number' | 'overOn' | 'changes'
type ColumnsOf<Table extends { $inferSelect: object }> = Omit<Table['$inferSelect'], Common>
type Same<A, B> = [keyof A, keyof B, A, B] extends [keyof B, keyof A, B, A] ? true : { columns: A; fields: B }

/*
 * A field without a column, or a column without a field, does not compile: writing it would drop it without a word.
 */
const FIELDS_ARE_COLUMNS: { [C in Collection]: Same<ColumnsOf<(typeof TABLES)[C]>, Bodies[C]> } & {
  households: Same<ColumnsOf<typeof households>, HouseholdRecord>
} = {
  recipes: true,
  materials: true,
  containers: true,
  feeds: true,
  tools: true,
  batches: true,
  feedings: true,
  programmes: true,
  stocks: true,
  crops: true,
  packets: true,
  sowings: true,
  trays: true,
  guidedJobs: true,
  trials: true,
  photos: true,
  devices: true,
  entries: true,
  households: true,
}
void FIELDS_ARE_COLUMNS
