import type { NewVessel } from '#core/language/vessels'

/** A container that somebody named and no catalogue has: made as it was said, to be measured later. */
export function useNewVessel() {
  const { attempt } = useCommands()
  return {
    /** @returns the text as it was: what it names is known now */
    async make(vessel: NewVessel, text: string): Promise<string> {
      const { name, kind, cells, sizeMm, volumeMl } = vessel
      const baseMm = Math.round(sizeMm * BASE)
      // As deep as a tapered square of that top holds so much.
      const areas = sizeMm ** 2 + baseMm ** 2 + sizeMm * baseMm
      const depthMm = Math.max(1, Math.round((volumeMl * 1000 * 3) / areas))
      const shape = {
        form: 'rectangular' as const,
        topLengthMm: sizeMm,
        topWidthMm: sizeMm,
        baseLengthMm: baseMm,
        baseWidthMm: baseMm,
        depthMm,
      }
      await attempt(
        name,
        [
          saving('containers', newId(), 0, {
            name: name.slice(0, 1).toUpperCase() + name.slice(1),
            basedOn: null,
            kind,
            cells,
            shape,
            measuredVolumeMl: volumeMl,
          }),
        ],
        `${name} is among the containers now. Measure it with water when you can.`,
      )
      return text
    },
  }
}
/** Of the top, the width at the base [common practice]. */
const BASE = 0.8
