/*
 * Water in the air [standard: FAO Irrigation and Drainage Paper 56 (Allen et al. 1998), equations 8, 11, 12, 13 and 17].
 */

/** Pressure of the air where nothing is known of the height, kPa. */
export const SEA_LEVEL_KPA = 101.3
/** Ratio of the molecular weights of water vapour and dry air. */
const EPSILON = 0.622
/** Latent heat of vaporisation, MJ/kg. */
export const LATENT_MJ_PER_KG = 2.45
/** Specific heat of moist air at constant pressure, MJ/kg/°C. */
const HEAT_MJ_PER_KG_C = 1.013e-3

/**
 * Pressure of saturated vapour over water, kPa: Tetens, e = 0.6108·exp(17.27·T / (T + 237.3)).
 *
 * @example saturationKPa(20) // ≈ 2.34
 */
export const saturationKPa = (airC: number): number => 0.6108 * Math.exp((17.27 * airC) / (airC + 237.3))

/**
 * How steeply that rises with warmth, kPa/°C.
 *
 * @example slopeKPaPerC(20) // ≈ 0.145
 */
export const slopeKPaPerC = (airC: number): number => (4098 * saturationKPa(airC)) / (airC + 237.3) ** 2

/**
 * What the air still takes up, kPa: the vapour-pressure deficit.
 *
 * @param humidity relative, a fraction 0–1
 * @example deficitKPa(20, 1) // 0
 */
export const deficitKPa = (airC: number, humidity: number): number => saturationKPa(airC) * (1 - humidity)

/** Psychrometric constant, kPa/°C. */
export const psychrometricKPaPerC = (pressureKPa = SEA_LEVEL_KPA): number =>
  (HEAT_MJ_PER_KG_C * pressureKPa) / (EPSILON * LATENT_MJ_PER_KG)
