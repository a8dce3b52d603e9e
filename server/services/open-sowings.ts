import { present } from '#core/present'
import { and, isNull, sql, type SQL } from 'drizzle-orm'
import { sowings } from '../db/schema'
import { current, dayOfHousehold } from './rows'

/** After so long a sowing nobody planted out or gave up belongs to a season that is past. */
const SEASON_DAYS = 400

/** Sowings of this season that nobody has planted out or given up yet. */
export const openSowings = (householdId: string): SQL =>
  present(
    and(
      current('sowings', householdId),
      isNull(sowings.overOn),
      sql`coalesce(${sowings.outOn}, ${sowings.sowOn}, ${sowings.createdAt}::date) > ${dayOfHousehold(householdId)} - ${SEASON_DAYS}::int`,
    ),
  )
