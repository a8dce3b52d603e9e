import { follow } from '../follow'
import { conditions, store } from './fixture'

/** A tray that was lifted once, followed for eight days. */
export const followed = follow(
  store,
  { at: 0, contents: { waterL: store.capacityL.value, salts: 1, nitrogenMg: 9 }, sdL: 0.1 },
  (_, factor) => conditions({ factor }),
  [{ kind: 'felt', at: 30, feels: 'light' }],
  40,
  200,
)
