/** Kinds of devices a bench has. What one measures is told by the unit of what it sends, not by its kind. */
export const DEVICE_KINDS = [
  'kitchen scale',
  'pocket scale',
  'air probe',
  'mix probe',
  'pen',
  'light meter',
  'label printer',
  'forecast',
  'other',
] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]

/** Ways a simulated device is broken on purpose. */
export const FAULTS = ['silent', 'stuck', 'wild'] as const
export type Fault = (typeof FAULTS)[number]
/**
 * What of it a kind can do: a forecast that is stuck or wild is one like any other.
 *
 * @example faultsOf('forecast') // ['silent']
 */
export const faultsOf = (kind: DeviceKind): readonly Fault[] =>
  kind === 'forecast' ? ['silent'] : MEASURES[kind].length ? FAULTS : []

/** What a reading is of, each in the unit it is kept in. */
export const QUANTITIES = {
  mass: { unit: 'g', from: -50, to: 200_000, name: 'Weight' },
  temperature: { unit: '°C', from: -40, to: 80, name: 'Temperature' },
  humidity: { unit: '%', from: 0, to: 100, name: 'Humidity' },
  conductivity: { unit: 'mS/cm', from: 0, to: 20, name: 'EC' },
  acidity: { unit: 'pH', from: 0, to: 14, name: 'pH' },
  illuminance: { unit: 'lx', from: 0, to: 200_000, name: 'Light' },
} as const
export type Quantity = keyof typeof QUANTITIES
export const QUANTITY_NAMES = Object.keys(QUANTITIES) as [Quantity, ...Quantity[]]

/** What each kind of device measures. */
export const MEASURES: Readonly<Record<DeviceKind, readonly Quantity[]>> = {
  'kitchen scale': ['mass'],
  'pocket scale': ['mass'],
  'air probe': ['temperature', 'humidity'],
  'mix probe': ['temperature'],
  pen: ['conductivity', 'acidity'],
  'light meter': ['illuminance'],
  'label printer': [],
  forecast: [],
  other: QUANTITY_NAMES,
}
