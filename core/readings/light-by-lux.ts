/** Lux of white LEDs that are 1 µmol/m²/s of light plants use: 65–75, taken as 70 [handbook, from memory; reference §9]. */
export const LUX_PER_PPFD = 70
