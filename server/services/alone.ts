import type { AloneIntent } from '#shared/commands/alone'
import type { Performed } from '#shared/commands/written'
import type { Principal } from '../principal'
import type { Act } from './idempotency'
import { newDeviceKey } from './device-keys'
import { makeExample } from './examples'
import { bringHouseholdBack, removeHousehold } from './household-removal'
import { askForecast } from './weather'

/** Acts that reach beyond the records of a household, each done by itself. */
export async function performAlone(
  principal: Principal,
  householdId: string,
  act: Act | null,
  intent: AloneIntent,
  address: string,
): Promise<Performed> {
  const done = (told?: object, household: Performed['household'] = null): Performed => ({
    act: act?.id ?? crypto.randomUUID(),
    wrote: [],
    changed: [],
    household,
    ...(told && { told }),
  })
  switch (intent.name) {
    case 'remove household':
      return done(await removeHousehold(principal, householdId, intent.version, act))
    case 'bring household back':
      return done(undefined, await bringHouseholdBack(principal, householdId, act))
    case 'make example':
      return done(await makeExample(principal, householdId, act, address))
    case 'new device key':
      return done(await newDeviceKey(principal, householdId, intent.deviceId, act))
    case 'ask forecast':
      return done(await askForecast(principal, householdId, act))
  }
}
