import type { Crop } from '../sowing/crop'

/** What the record says of plants that show a sign; null where nobody wrote it down or it cannot be computed. */
export interface SignRecord {
  /** Days since they came up; below 0 before. */
  readonly daysUp: number | null
  /** Days since they were sown against the days expected at the warmth they had; 1 is due. */
  readonly lateness: number | null
  /** Days since they first stood outside; null where they never did. */
  readonly daysOutside: number | null
  /** Days in this container since they were sown or set, against the days such plants stand in it. */
  readonly overstayed: number | null
  /** Roots at the last look. */
  readonly roots: 'few' | 'holding' | 'circling' | null
  /** Last feed, mg/L of nitrogen, and days since; null where none was given. */
  readonly lastNMgPerL: number | null
  readonly daysSinceFed: number | null
  readonly band: readonly [low: number, high: number]
  /** Feed and water together, and of what is in the tray now, mS/cm. */
  readonly ecMsPerCm: number | null
  readonly ecLimitMsPerCm: number
  /** Days since the mix ran out of food; below 0 while it feeds. */
  readonly daysPastFood: number | null
  /** Air of the drained cell, and the least wanted at that depth; fractions. */
  readonly air: number | null
  readonly airLeast: number
  readonly ph: number | null
  /** Of the water, as CaCO₃, mg/L. */
  readonly alkalinityMgPerL: number | null
  /** SME of the mix, mS/cm. */
  readonly saltsMsPerCm: number | null
  /** Of the easily available water so much is gone now: 0 soaked, above 1 wilting. */
  readonly waterGone: number | null
  /** Days of the last seven on which it stayed wet, and on which it was dry beyond the easily available. */
  readonly wetDays: number | null
  readonly dryDays: number | null
  /** Watered from above, mostly. */
  readonly fromAbove: boolean | null
  /** Coldest and warmest of the last week where it stands, and the mix as it is, °C. */
  readonly coldestC: number | null
  readonly warmestC: number | null
  readonly mixC: number | null
  /** Light of its place, mol/m² a day. */
  readonly lightMol: number | null
  /** Least such plants want. */
  readonly lightLeast: number
  /** Covered with a dome or film now. */
  readonly covered: boolean | null
  /** Compost, castings or the like in the mix; a share. */
  readonly living: number | null
  /** Peat, and perlite, shares of the mix. */
  readonly peat: number | null
  readonly perlite: number | null
  /** Relative humidity of the air, a fraction. */
  readonly humidity: number | null
  readonly seedYears: number | null
  readonly depthMm: number | null
  readonly crop: Pick<Crop, 'depthMm' | 'light' | 'warmthC' | 'buryStem' | 'lowestNightC'> | null
}

/** A record of which nothing is known. */
export const emptyRecord = (): SignRecord => ({
  daysUp: null,
  lateness: null,
  daysOutside: null,
  overstayed: null,
  roots: null,
  lastNMgPerL: null,
  daysSinceFed: null,
  band: [50, 75],
  ecMsPerCm: null,
  ecLimitMsPerCm: 1.5,
  daysPastFood: null,
  air: null,
  airLeast: 0.05,
  ph: null,
  alkalinityMgPerL: null,
  saltsMsPerCm: null,
  waterGone: null,
  wetDays: null,
  dryDays: null,
  fromAbove: null,
  coldestC: null,
  warmestC: null,
  mixC: null,
  lightMol: null,
  lightLeast: 8,
  covered: null,
  living: null,
  peat: null,
  perlite: null,
  humidity: null,
  seedYears: null,
  depthMm: null,
  crop: null,
})
