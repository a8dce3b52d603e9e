<script setup lang="ts">
import { present } from '#core/present'
import { counted } from '#core/text/plurals'

/** Pictures of one thing in the order of its age, and room for more. */
const props = defineProps<{ what: 'trays' | 'sowings'; id: string; title: string }>()
const store = usePhotos()
const keeping = useKeeping()
const undoing = useUndo()
const { note } = useNotes()
const { printDay } = useDates()
const field = useId()
const photos = computed(() => store.ofThing(props.id).value)

async function pick(event: Event) {
  const input = event.target as HTMLInputElement
  await store.add([...(input.files ?? [])], [{ what: props.what, id: props.id }])
  input.value = ''
}
const open = ref<Photo | null>(null)
const draft = ref({ name: '', note: '', on: '' as Photo['body']['on'] })
function show(photo: Photo) {
  open.value = photo
  draft.value = { name: photo.body.name, note: photo.body.note, on: photo.body.on }
}
async function attempt(act: () => Promise<unknown>) {
  try {
    await act()
    open.value = null
  } catch (error) {
    note(whyNot(error))
  }
}
const keep = () =>
  attempt(() =>
    keeping.save('photos', present(open.value).id, present(open.value).version, {
      ...present(open.value).body,
      ...draft.value,
    }),
  )
const remove = () =>
  attempt(async () => {
    const opposite = await keeping.remove('photos', present(open.value))
    note('Photo deleted.', { name: 'Undo', run: () => undoing.takeBack(opposite) })
  })
const said = (photo: Photo) => {
  const days = store.age(photo, props.id)
  return days === null || days < 0
    ? printDay(photo.body.on)
    : days === 0
      ? 'the day it was sown'
      : `day ${days}`
}
</script>

<template>
  <section class="strip" :aria-label="`Photos of ${title}`">
    <ul>
      <li v-for="photo in photos" :key="photo.id">
        <button
          class="stack-s"
          type="button"
          :aria-label="`${photo.body.name}, ${said(photo)}: see it large`"
          @click="show(photo)"
        >
          <img
            :src="store.address(photo.body.fileId, 'small')"
            alt=""
            loading="lazy"
            :width="photo.body.width"
            :height="photo.body.height"
          />
          <span>{{ said(photo) }}</span>
        </button>
      </li>
      <li class="add no-print">
        <label :for="field" class="button">{{
          store.sending
            ? `${store.sending.done} of ${store.sending.of} sent`
            : photos.length
              ? 'More photos'
              : 'Add photos'
        }}</label>
        <input
          :id="field"
          type="file"
          class="unseen"
          accept="image/jpeg,image/png,image/webp,image/avif,image/tiff"
          multiple
          :disabled="!!store.sending"
          @change="pick"
        />
      </li>
    </ul>
    <div v-if="store.refused.length" class="problem" role="alert">
      <p v-for="one in store.refused" :key="one.name">{{ one.name }}: {{ one.why }}</p>
    </div>
    <Dialog
      :visible="!!open"
      modal
      :header="open ? `${open.body.name}, ${said(open)}` : ''"
      :draggable="false"
      @update:visible="open = null"
    >
      <form v-if="open" class="photo stack" @submit.prevent="keep">
        <img :src="store.address(open.body.fileId)" :alt="open.body.note || open.body.name" />
        <TextField v-model="draft.name" label="What it shows" />
        <DayField
          :model-value="draft.on"
          label="Taken on"
          @update:model-value="$event && (draft.on = $event)"
        />
        <TextField v-model="draft.note" label="Note" />
        <div class="buttons">
          <Button type="submit" class="main">Keep</Button>
          <Button @click="remove">Remove</Button>
        </div>
        <p class="soft small">
          Kept {{ open.body.width }} × {{ open.body.height }}, without where it was taken.
          {{ counted(photos.length, 'photo') }} of this.
        </p>
      </form>
    </Dialog>
  </section>
</template>

<style scoped>
.strip ul {
  /* What is unseen in it scrolls with it. */
  position: relative;
  display: flex;
  gap: 0.6rem;
  overflow-x: auto;
  padding: 0.2rem 0 0.5rem;
}

.strip li {
  flex: none;
}

.strip button {
  color: var(--ink-soft);
}

.strip li img {
  width: 8.5rem;
  height: 6.5rem;
  object-fit: cover;
  border: 1px solid var(--line-strong);
  border-radius: 0.3rem;
  background: var(--paper-deep);
}

.add {
  align-self: center;
}

.add input:focus-visible + label,
.add:focus-within .button {
  outline: 3px solid var(--marigold);
  outline-offset: 2px;
}

.photo img {
  max-width: min(60rem, 84vw);
  max-height: 56vh;
  width: auto;
  height: auto;
  justify-self: center;
}
</style>
