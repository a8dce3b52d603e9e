import { counted } from '#core/text/plurals'
import { daysBetween, type Day } from '#core/calendar/day'
import type { Stored } from '#shared/records/collections'
import type { Sent } from '#shared/commands/commands'
import type { PhotoRecord } from '#shared/records/photo'

export type Photo = Stored<PhotoRecord>
interface PhotoFile {
  readonly id: string
  readonly width: number
  readonly height: number
  readonly takenOn: Day | null
}
/** What the server takes. */
const MAX_BYTES = 25 * 1024 * 1024

/** Pictures of trays and sowings: sent one after the other, each told of by name where it cannot be kept. */
export const usePhotos = defineStore('photos', () => {
  const household = useHousehold()
  const { attempt } = useCommands()
  const season = useSeason()
  const trays = useTrays()

  const sending = ref<{ done: number; of: number } | null>(null)
  const refused = ref<{ name: string; why: string }[]>([])

  const address = (fileId: string, size: 'whole' | 'small' = 'whole') =>
    `/api/households/${household.id}/photo-files/${fileId}?size=${size}`

  async function add(
    files: readonly File[],
    subjects: PhotoRecord['subjects'],
    placeId: string | null = null,
  ) {
    refused.value = []
    sending.value = { done: 0, of: files.length }
    const kept: Sent[] = []
    for (const file of files) {
      try {
        kept.push(photoOf(file, await send(file), subjects, placeId))
      } catch (error) {
        refused.value = [...refused.value, { name: file.name, why: whyNot(error) }]
      }
      sending.value = { done: sending.value.done + 1, of: files.length }
    }
    sending.value = null
    const many = counted(kept.length, 'photo')
    if (kept.length) await attempt(many, kept, `${many} kept.`)
  }
  async function send(file: File): Promise<PhotoFile> {
    if (file.size > MAX_BYTES) throw new NotTried('It has more than 25 MB: send it smaller.')
    const command = { name: 'add picture', id: newId() } as const
    return sendWithFile<PhotoFile>(household.id, command, file, file.type || 'application/octet-stream')
  }
  function photoOf(
    file: File,
    sent: PhotoFile,
    subjects: PhotoRecord['subjects'],
    placeId: string | null,
  ): Sent {
    const trayId = subjects.find(({ what }) => what === 'trays')?.id
    const tray = trayId ? trays.find(trayId) : undefined
    const name = tray
      ? `Tray ${tray.number}, ${tray.body.groups[0]?.name ?? tray.body.name}`
      : file.name.replace(/\.\w+$/, '') || 'Photo'
    return saving('photos', newId(), 0, {
      name: name.slice(0, 120),
      fileId: sent.id,
      // A camera whose clock groups ahead does not take pictures tomorrow.
      on: sent.takenOn && sent.takenOn <= season.today ? sent.takenOn : season.today,
      subjects: [...subjects],
      placeId,
      width: sent.width,
      height: sent.height,
      note: '',
    })
  }

  const ofThing = (id: string) =>
    computed(() =>
      household.photos
        .filter(({ body }) => body.subjects.some((one) => one.id === id))
        .sort((a, b) => (a.body.on < b.body.on ? -1 : a.body.on > b.body.on ? 1 : 0)),
    )
  /** The day what stands in a tray, or a sowing, was begun. */
  function begunOn(id: string): Day | null {
    const tray = trays.find(id)
    const days = tray
      ? trays.stands(tray).groups.flatMap(({ sownOn, setOn }) => [sownOn, setOn].flatMap((day) => day ?? []))
      : [season.done.get(id)?.['stage-0']].flatMap((day) => day ?? [])
    return days.length ? days.reduce((a, b) => (a < b ? a : b)) : null
  }
  /** Days from sowing to the picture; null where nobody knows. */
  function age(photo: Photo, id: string): number | null {
    const from = begunOn(id)
    return from ? daysBetween(from, photo.body.on) : null
  }

  /** All of them, those of former years too. */
  const all = ref<Photo[] | null>(null)
  async function loadAll() {
    const list = await $fetch<Photo[]>(`/api/households/${household.id}/photos`, {
      query: { newest: true, limit: 500 },
    })
    all.value = list
  }

  return { sending, refused, address, add, ofThing, begunOn, age, all, loadAll }
})
