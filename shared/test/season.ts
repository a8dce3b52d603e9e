/** A season as somebody would send it: last frost 8 May 2027, one shelf of eight flats that is warmed to 24 °C. */
export const SHELF = {
  id: 'shelf',
  name: 'Shelf',
  kind: 'shelf',
  flats: 8,
  dayC: 20,
  nightC: 18,
  heatC: 24,
  light: null,
  cover: 'none',
}
export const SEASON = {
  lastFrost: '2027-05-08',
  firstFrost: '2027-10-12',
  places: [SHELF],
  lightMethod: 'sixteen',
  feedingMethod: 'weak and often',
  feedId: 'balanced-20',
  tubL: 40,
  canL: 9,
}
