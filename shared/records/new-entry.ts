import type { EntryRecord } from './entry'

/** An entry as somebody writes it, with nothing left open. */
export const newEntry = (
  said: Pick<EntryRecord, 'name' | 'kind' | 'on' | 'subjects'> & Partial<EntryRecord>,
): EntryRecord => ({
  at: null,
  by: '',
  to: '',
  note: '',
  times: 1,
  evenIfShort: false,
  count: null,
  cells: [],
  water: [],
  actual: null,
  placeId: null,
  signs: [],
  grams: null,
  remindOn: null,
  climate: [],
  measured: [],
  carried: [],
  part: false,
  snoozedUntil: null,
  act: null,
  moves: [],
  facts: [],
  ...said,
})

/** What was told of the water of one tray, with nothing left open. */
export const waterRow = (
  said: Pick<EntryRecord['water'][number], 'trayId'> & Partial<EntryRecord['water'][number]>,
): EntryRecord['water'][number] => ({
  how: null,
  litres: null,
  backL: null,
  grams: null,
  moment: null,
  sdG: null,
  feels: null,
  ecMsPerCm: null,
  nMgPerL: null,
  ...said,
})
