import { present } from '#core/present'
import {
  calibrationById,
  CALIBRATIONS,
  measurementKey,
  standingMeasurements,
  type CalibrationId,
  type Measurement,
} from '#core/learning/calibrations'
import { GUIDED_JOB_KINDS } from '#core/jobs/guided-job'

/** What was learned of this bench: for each thing the book's figure, the household's own, and what it was measured by. */
export function useLearned() {
  const household = useHousehold()
  const context = useContext()
  const { attempt } = useCommands()

  const calibrations = computed(() => context.whole.calibrations)
  const dropped = computed(() => new Set(household.record?.learning?.dropped ?? []))
  const all = computed(() => standingMeasurements(household.everything?.measurements ?? []))

  function nameOf(what: CalibrationId, of: string): string {
    if (of === '') return ''
    if (what === 'germination') {
      const packet = household.packets.find(({ id }) => id === of)?.body
      return packet
        ? `${packet.name} ${packet.year}${packet.supplier ? `, ${packet.supplier}` : ''}`
        : 'a packet no longer here'
    }
    if (what === 'powder density') return context.feeds.get(of)?.name ?? of
    if (what === 'days up' || what === 'feed response') return context.crops.get(of)?.name ?? of
    if (what === 'minutes') return GUIDED_JOB_KINDS.find((kind) => kind === of) ?? of
    return of
  }

  /** What is believed before anything is measured: of a packet what stands on it, or what its crop does. */
  function bookOf(what: CalibrationId, of: string) {
    const packet = what === 'germination' ? context.whole.packets.get(of) : undefined
    if (!packet) return undefined
    const mean = packet.germination ?? context.crops.get(packet.cropId)?.germination
    return mean === undefined ? undefined : { mean, sd: calibrationById(what).prior.sd }
  }

  const rows = computed(() =>
    CALIBRATIONS.map((calibration) => {
      const own = all.value.filter(({ what }) => what === calibration.id)
      const things = [...new Set(own.map(({ of }) => of))]
      return {
        calibration,
        things: (things.length ? things : calibration.of === 'bench' ? [''] : []).map((of) => ({
          of,
          name: nameOf(calibration.id, of),
          learned: calibrations.value.of(calibration.id, of, bookOf(calibration.id, of)),
          measurements: own
            .filter((one) => one.of === of)
            .map((one) => ({
              ...one,
              id: measurementKey(one),
              isDropped: dropped.value.has(measurementKey(one)),
            })),
        })),
      }
    }),
  )

  /** Left out of what is learned, or counted again. */
  async function drop(one: Measurement, out: boolean) {
    const { version, body } = present(household.everything).household
    const key = measurementKey(one)
    const others = (body.learning?.dropped ?? []).filter((other) => other !== key)
    const next = out ? [...others, key] : others
    const learning = next.length ? { dropped: next } : null
    await attempt(
      out ? 'a measurement left out' : 'a measurement counted again',
      [{ name: 'save household', version, body: { ...body, learning } }],
      out ? 'Left out: plans go without it.' : 'Counted again.',
    )
  }
  return { rows, drop }
}
