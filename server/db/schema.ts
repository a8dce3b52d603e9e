import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  doublePrecision,
  foreignKey,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'
import type { BatchRecord } from '#shared/records/batch'
import type { ContainerRecord } from '#shared/records/container'
import type { FeedRecord } from '#shared/records/feed'
import type { MaterialRecord } from '#shared/records/material'
import type { Recipe } from '#shared/records/recipe'
import type { HouseholdRecord } from '#shared/records/household'
import type { ToolRecord } from '#shared/records/tool'

/*
 * household_id leads every primary key, so that the same tables can be spread over machines or fenced by
 * row-level security. Lists that belong to one record and are always read and written whole with it (parts,
 * fills) are jsonb, checked by the schemas in shared/ on the way in.
 */

const versioned = () => ({
  version: integer().notNull().default(1),
  createdAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
  updatedAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
})

export const households = pgTable('household', {
  householdId: uuid().primaryKey(),
  name: text().notNull(),
  place: text().notNull(),
  kitchen: text().$type<HouseholdRecord['kitchen']>().notNull(),
  ...versioned(),
})

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
  },
  (table) => [primaryKey({ columns: [table.householdId, table.id] })],
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
  (table) => [primaryKey({ columns: [table.householdId, table.id] })],
)

export const containers = pgTable(
  'container',
  {
    ...owned(),
    kind: text().$type<ContainerRecord['kind']>().notNull(),
    cells: integer().notNull(),
    shape: jsonb().$type<ContainerRecord['shape']>().notNull(),
    measuredVolumeMl: doublePrecision(),
  },
  (table) => [
    primaryKey({ columns: [table.householdId, table.id] }),
    check('container_cells', sql`${table.cells} > 0`),
    check('container_measured_volume', sql`${table.measuredVolumeMl} > 0`),
  ],
)

export const feeds = pgTable(
  'feed',
  {
    ...owned(),
    form: text().$type<FeedRecord['form']>().notNull(),
    nPercent: doublePrecision().notNull(),
    p2o5Percent: doublePrecision().notNull(),
    k2oPercent: doublePrecision().notNull(),
    densityGPerMl: doublePrecision(),
    labelRatePerL: doublePrecision(),
    organic: boolean().notNull(),
  },
  (table) => [
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
  (table) => [primaryKey({ columns: [table.householdId, table.id] })],
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
    feel: text().$type<BatchRecord['feel']>().notNull().default('wrung-out sponge'),
    tubL: doublePrecision(),
  },
  (table) => [
    primaryKey({ columns: [table.householdId, table.id] }),
    unique('batch_number').on(table.householdId, table.number),
  ],
)

export const feedings = pgTable(
  'feeding',
  {
    ...owned(),
    feedId: text().notNull(),
    stageId: text().notNull(),
    targetNMgPerL: doublePrecision().notNull(),
    vessel: jsonb().$type<BatchRecord['scoop']>().notNull(),
    batchId: uuid(),
    toolId: text(),
  },
  (table) => [
    primaryKey({ columns: [table.householdId, table.id] }),
    foreignKey({
      columns: [table.householdId, table.batchId],
      foreignColumns: [batches.householdId, batches.id],
    }),
  ],
)

export const TABLES = { recipes, materials, containers, feeds, tools, batches, feedings } as const
