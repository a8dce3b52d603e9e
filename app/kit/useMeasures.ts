import { first } from '#core/numeric/at'

/** Amounts and sentences as this household says them, for a template. */
export function useMeasures() {
  const saying = useSaying()
  const volume = (litres: number) => saying.value.volume(litres)
  return {
    volume,
    /** As much of it as a label on a chart has room for: one measure, no second. */
    roughVolume: (litres: number) => first(volume(litres).split(' + ')),
    aboutVolume: (litres: number) => saying.value.aboutVolume(litres),
    length: (mm: number) => saying.value.length(mm),
    mass: (g: number) => saying.value.mass(g),
    temperature: (celsius: number) => saying.value.temperature(celsius),
    said: (text: string) => saying.value.said(text),
  }
}
