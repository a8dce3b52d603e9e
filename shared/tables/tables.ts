import { CONTAINERS, FEEDS, MATERIALS, PACKETS, STOCKS } from './goods'
import { AIR, ENTRIES, MEASUREMENTS } from './log'
import { CROPS, SOWINGS, TRAYS } from './sowing'
import type { Table } from './table'

/** Every table, in the order in which one needs the other: packets name crops, sowings name packets. */
export const TABLES = [
  MATERIALS,
  CONTAINERS,
  FEEDS,
  STOCKS,
  CROPS,
  PACKETS,
  SOWINGS,
  TRAYS,
  ENTRIES,
  MEASUREMENTS,
  AIR,
] as unknown as readonly Table[]

export const TABLE_IDS = [
  'materials',
  'containers',
  'feeds',
  'stores',
  'crops',
  'packets',
  'sowings',
  'trays',
  'entries',
  'measurements',
  'air',
] as const
export type TableId = (typeof TABLE_IDS)[number]
export const tableById = (id: TableId): Table => TABLES.find((one) => one.id === id)!
