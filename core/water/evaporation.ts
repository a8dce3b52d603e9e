import { derive, given, type Figure } from '../working/figure'
import { standard, type Source } from '../working/source'
import { deficitKPa, LATENT_MJ_PER_KG, psychrometricKPaPerC, SEA_LEVEL_KPA, slopeKPaPerC } from './vapour'

/*
 * How much water a wet surface or a canopy gives to the air: Penman–Monteith, in the form of FAO-56 equation 3. With the
 * resistances of a lawn (ra = 208/u, rs = 70 s/m) it is FAO's reference evapotranspiration; with those of a bench indoors it
 * is a tray's.
 */

const SECONDS_PER_DAY = 86_400
/** ρ·cp = γ·ε·λ / (1.01·(T + 273)·0.287) [FAO-56, annex 3]. */
const GAS = 1.01 * 0.287
const EPSILON = 0.622

/** The air at a surface, and what shines on it. */
export interface Air {
  readonly airC: number
  readonly deficitKPa: number
  /** Net radiation, MJ/m² a day. */
  readonly netMJ: number
  /** How hard the air carries vapour off, s/m: small in wind, large in a still room. */
  readonly airResistance: number
  /** How hard the surface lets go of it, s/m: 0 for open water. */
  readonly surfaceResistance: number
  readonly pressureKPa?: number
}

/** Water given off, L/m² a day: so many millimetres. Never below 0: dew is not counted. */
export function penmanMonteith({
  airC,
  deficitKPa: deficit,
  netMJ,
  airResistance,
  surfaceResistance,
  pressureKPa = SEA_LEVEL_KPA,
}: Air): number {
  const slope = slopeKPaPerC(airC)
  const gamma = psychrometricKPaPerC(pressureKPa)
  const carries = (gamma * EPSILON * LATENT_MJ_PER_KG) / (GAS * (airC + 273))
  const heat = slope * netMJ + (SECONDS_PER_DAY * carries * deficit) / airResistance
  return Math.max(0, heat / (slope + gamma * (1 + surfaceResistance / airResistance)) / LATENT_MJ_PER_KG)
}

/** Light a lamp or window gives as warmth: a mole of the photons that plants use carries so many MJ, white light [handbook, from memory: 0.21–0.22]. */
export const MJ_PER_MOL = 0.217

/** What the air of a place is like where trays stand, by day and by night. */
export interface Climate {
  readonly dayC: number
  readonly nightC: number
  /** Relative humidity, mean of the day, a fraction 0–1. */
  readonly humidity: number
  /** Light on the leaves in a day, mol/m². */
  readonly lightMol: number
  /** s/m. */
  readonly airResistance: number
}

/** A mat dries from below: the mix is warmer than the air by so much, °C; 0 where nothing heats. */
type Warmed = Climate & { readonly mixAboveC?: number | undefined }

/**
 * What a wet, open surface gives off in that place, L/m² a day: half a day by day's warmth and half by night's, all of the
 * light by day. What a mat adds is computed as a wider deficit at the warm surface.
 */
export function wetSurfaceLoss({
  dayC,
  nightC,
  humidity,
  lightMol,
  airResistance,
  mixAboveC = 0,
}: Warmed): number {
  const vapour = (airC: number) => saturatedBy(airC, humidity)
  const half = (airC: number, netMJ: number) =>
    penmanMonteith({
      airC: airC + mixAboveC / 2,
      deficitKPa: Math.max(0, deficitKPa(airC + mixAboveC, 0) - vapour(airC)),
      netMJ,
      airResistance,
      surfaceResistance: 0,
    })
  return (half(dayC, 2 * lightMol * MJ_PER_MOL) + half(nightC, 0)) / 2
}
/** The same, with its working: what a wet, open surface gives off in that place, L/m² a day. */
export function wetSurfaceFigure(climate: Warmed, source: Source): Figure {
  const { dayC, nightC, humidity, lightMol, airResistance, mixAboveC = 0 } = climate
  const gammaKPa = given(
    'Psychrometric constant',
    psychrometricKPaPerC(),
    'kPa/°C',
    standard('FAO-56, equation 8, at sea level'),
  )
  const half = (name: string, airC: number, netMJ: number) =>
    derive(
      name,
      'L/m²',
      'max(0, (s * R + 86400 * (y * 0.622 * 2.45 / (1.01 * 0.287 * (T + 273))) * D / r) / (s + y) / 2.45)',
      {
        s: given(
          'Slope of the vapour pressure',
          slopeKPaPerC(airC + mixAboveC / 2),
          'kPa/°C',
          standard('FAO-56, equation 13'),
        ),
        R: given('Warmth of the light', netMJ, 'MJ/m²', source),
        y: gammaKPa,
        T: given('Air at the surface', airC + mixAboveC / 2, '°C', source),
        D: given(
          'Vapour-pressure deficit',
          Math.max(0, deficitKPa(airC + mixAboveC, 0) - saturatedBy(airC, humidity)),
          'kPa',
          standard('FAO-56, equation 11 (Tetens), and the humidity of the place'),
        ),
        r: given('Resistance of the air', airResistance, 's/m', source),
      },
      ({ s, R, y, T, D, r }) =>
        Math.max(
          0,
          (s * R + (86_400 * ((y * 0.622 * 2.45) / (1.01 * 0.287 * (T + 273))) * D) / r) / (s + y) / 2.45,
        ),
      'Penman–Monteith for an open, wet surface (FAO-56, equation 3).',
    )
  return derive(
    'A wet surface gives off',
    'L/m²',
    '(d + n) / 2',
    { d: half('By day', dayC, 2 * lightMol * MJ_PER_MOL), n: half('By night', nightC, 0) },
    ({ d, n }) => (d + n) / 2,
    'Half a day by day’s warmth and all of the light, half by night’s.',
  )
}
const saturatedBy = (airC: number, humidity: number) => deficitKPa(airC, 0) * humidity
