import { handbook, practice, type Source } from '../working/source'

/*
 * Light as a household knows it: so many tubes of such a length, a panel of so many watts, a window to the south.
 */

/** A lamp as it is sold; what it gives follows from its watts. */
export interface LampKind {
  readonly id: string
  readonly name: string
  readonly watts: number
  /** Light that plants can use for each watt-second, µmol/J. */
  readonly umolPerJ: number
  /** Part of it that goes down to the plants: shades and lamp bodies keep the rest, a fraction. */
  readonly down: number
  /** Radius of a disc that gives a flat under it as much as this lamp does, cm [default]; 0 for a bulb. */
  readonly radiusCm: number
  /** Usual height over the leaves, cm. */
  readonly heightCm: number
  readonly source: Source
}

/** Light that comes by itself. */
export interface DaylightKind {
  readonly id: string
  readonly name: string
  /** In a day of March to May in the middle latitudes, mol/m². */
  readonly molPerM2: number
  readonly source: Source
}

const TUBES = handbook('photosynthetic efficacy of horticultural and household lamps (Nelson & Bugbee 2014)')
const SILL = handbook('daily light integrals behind glass and in the open (Korczynski, Logan & Faust 2002)')

export const LAMP_KINDS: readonly LampKind[] = [
  {
    id: 'tube-4ft',
    name: 'fluorescent tube of 120 cm (4 ft), 36 W',
    watts: 36,
    umolPerJ: 0.95,
    down: 0.8,
    radiusCm: 25,
    heightCm: 5,
    source: TUBES,
  },
  {
    id: 'tube-2ft',
    name: 'fluorescent tube of 60 cm (2 ft), 18 W',
    watts: 18,
    umolPerJ: 0.85,
    down: 0.8,
    radiusCm: 18,
    heightCm: 5,
    source: TUBES,
  },
  {
    id: 'bright-tube-4ft',
    name: 'bright fluorescent tube of 120 cm (4 ft), 54 W',
    watts: 54,
    umolPerJ: 1.1,
    down: 0.85,
    radiusCm: 25,
    heightCm: 8,
    source: TUBES,
  },
  {
    id: 'led-tube-4ft',
    name: 'LED tube of 120 cm (4 ft), 18 W',
    watts: 18,
    umolPerJ: 1.6,
    down: 0.95,
    radiusCm: 25,
    heightCm: 8,
    source: TUBES,
  },
  {
    id: 'led-bar-4ft',
    name: 'LED growing bar of 120 cm (4 ft), 40 W',
    watts: 40,
    umolPerJ: 2.2,
    down: 0.95,
    radiusCm: 25,
    heightCm: 15,
    source: TUBES,
  },
  {
    id: 'led-panel-50',
    name: 'LED panel of 50 W',
    watts: 50,
    umolPerJ: 2.2,
    down: 0.9,
    radiusCm: 15,
    heightCm: 30,
    source: TUBES,
  },
  {
    id: 'led-panel-100',
    name: 'LED panel of 100 W',
    watts: 100,
    umolPerJ: 2.4,
    down: 0.9,
    radiusCm: 18,
    heightCm: 30,
    source: TUBES,
  },
  {
    id: 'led-panel-200',
    name: 'LED panel of 200 W',
    watts: 200,
    umolPerJ: 2.5,
    down: 0.9,
    radiusCm: 28,
    heightCm: 45,
    source: TUBES,
  },
  {
    id: 'led-bulb',
    name: 'LED bulb of 15 W',
    watts: 15,
    umolPerJ: 1.4,
    down: 0.5,
    radiusCm: 0,
    heightCm: 20,
    source: practice('a household bulb shines to all sides: half of it goes down'),
  },
]

export const DAYLIGHT_KINDS: readonly DaylightKind[] = [
  { id: 'window-south', name: 'a south window (north, below the equator)', molPerM2: 8, source: SILL },
  { id: 'window-side', name: 'an east or west window', molPerM2: 4.5, source: SILL },
  { id: 'window-shade', name: 'a window without sun', molPerM2: 1.5, source: SILL },
  { id: 'glass', name: 'daylight under glass', molPerM2: 18, source: SILL },
  { id: 'sky', name: 'the open sky', molPerM2: 28, source: SILL },
]

/** A lamp somebody has a sheet or a meter for. */
export const MEASURED_LIGHT = 'measured'
