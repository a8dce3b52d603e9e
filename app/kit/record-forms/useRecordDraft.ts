import type { ZodType } from 'zod'

/** A record that is edited: what its fields show, are checked by and are called. */
export interface RecordDraft {
  readonly draft: Ref<object>
  readonly schema: ZodType
  /** Whose names its fields have in the table of messages: a collection, `places` or `season`. */
  readonly words: string
  readonly problemAt: (path: string) => string | undefined
  /** Takes a change of one field, where it is more than putting it into the draft. */
  readonly change?: (path: string, next: object) => void
}
const KEY: InjectionKey<RecordDraft> = Symbol('record draft')

export const provideRecordDraft = (draft: RecordDraft) => provide(KEY, draft)

/** @throws Error outside a form of a record */
export function useRecordDraft(): RecordDraft {
  const found = inject(KEY)
  if (!found) throw new Error('A field of a record stands inside a form of a record.')
  return found
}
