import { CONTAINERS, FEEDS, MATERIALS, PACKETS, STOCKS } from './goods'
import { AIR, ENTRIES, MEASUREMENTS } from './log'
import { CROPS, SOWINGS, TRAYS } from './sowing'
import type { Table } from './table'

/** Every table by its address, in the order in which one needs the other: packets name crops, sowings name packets. */
const BY_ID = {
  materials: MATERIALS,
  containers: CONTAINERS,
  feeds: FEEDS,
  supplies: STOCKS,
  crops: CROPS,
  packets: PACKETS,
  sowings: SOWINGS,
  trays: TRAYS,
  entries: ENTRIES,
  measurements: MEASUREMENTS,
  air: AIR,
}
export type TableId = keyof typeof BY_ID
export const TABLE_IDS = Object.keys(BY_ID) as [TableId, ...TableId[]]
export const tableById = (id: TableId): Table => BY_ID[id] as unknown as Table
