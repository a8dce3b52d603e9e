<script setup lang="ts">
definePageMeta({
  place: {
    title: 'Photos',
    what: 'two trays side by side at the same age',
    words: 'pictures compare camera',
    parent: '/records',
    tab: 3,
  },
})
const store = usePhotos()
const trays = useTrays()
const household = useHousehold()
const route = useRoute()
const { printDay } = useDates()

const problem = ref('')
onMounted(() => store.loadAll().catch((error: unknown) => (problem.value = whyNot(error))))
const all = computed(() => {
  const newer = household.photos
  const known = new Set(newer.map(({ id }) => id))
  return [...newer, ...(store.all ?? []).filter(({ id }) => !known.has(id))]
})
/** Things of which there is a picture. */
const things = computed(() => {
  const found = new Map<string, string>()
  for (const { body } of all.value)
    for (const { what, id } of body.subjects) {
      const tray = what === 'trays' ? trays.find(id) : undefined
      const sowing = what === 'sowings' ? household.sowings.find((one) => one.id === id) : undefined
      if (tray) {
        found.set(id, `tray ${tray.number} · ${tray.body.groups.map(({ name }) => name).join(', ')}`)
        for (const { sowingId, name } of tray.body.groups)
          if (sowingId) found.set(sowingId, `sowing: ${name}`)
      } else if (sowing) found.set(id, sowing.body.name)
      else if (!found.has(id)) found.set(id, body.name)
    }
  return [...found].map(([id, name]) => ({ id, name }))
})
const chosen = (key: 'one' | 'other', at: number) =>
  computed(() => (typeof route.query[key] === 'string' ? route.query[key] : (things.value[at]?.id ?? null)))
const one = chosen('one', 0)
const other = chosen('other', 1)
const choose = (key: 'one' | 'other', id: string | null) =>
  navigateTo({ query: { ...route.query, [key]: id ?? undefined } }, { replace: true })
const choices = computed(() => [
  { value: null as string | null, name: 'nothing' },
  ...things.value.map(({ id, name }) => ({ value: id as string | null, name })),
])

/** Weeks after sowing in which either has a picture. */
const weekOf = (photo: Photo, id: string) => {
  const days = store.age(photo, id)
  return days === null || days < 0 ? null : Math.floor(days / 7)
}
const rows = computed(() =>
  [one.value, other.value].flatMap((id) => {
    if (!id) return []
    // Of a sowing are also the pictures of its trays.
    const ids = new Set([id, ...trays.ofSowing(id).map((tray) => tray.id)])
    const own = all.value.filter(({ body }) => body.subjects.some((subject) => ids.has(subject.id)))
    return [{ id, name: things.value.find((thing) => thing.id === id)?.name ?? '', own }]
  }),
)
const weeks = computed(() =>
  [...new Set(rows.value.flatMap(({ id, own }) => own.flatMap((photo) => weekOf(photo, id) ?? [])))].sort(
    (a, b) => a - b,
  ),
)
const undated = computed(() =>
  rows.value.flatMap(({ id, own }) => own.filter((photo) => weekOf(photo, id) === null)),
)
const inWeek = (row: (typeof rows.value)[number], week: number) =>
  row.own.filter((photo) => weekOf(photo, row.id) === week).sort((a, b) => (a.body.on < b.body.on ? -1 : 1))
const alt = (photo: Photo, id: string) => `${photo.body.name}, day ${store.age(photo, id)}`
</script>

<template>
  <div class="photos stack-l">
    <PageTop title="Photos" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="!things.length" class="slip">
      No photos yet. <NuxtLink to="/trays">Open a tray</NuxtLink> and add some: several at once, from the
      phone or a file.
    </p>
    <template v-else>
      <div class="pick no-print">
        <ChoiceField
          :model-value="one"
          label="This"
          :choices="choices"
          @update:model-value="choose('one', $event)"
        />
        <ChoiceField
          :model-value="other"
          label="Beside this"
          :choices="choices"
          @update:model-value="choose('other', $event)"
        />
      </div>
      <div class="scrolls" role="region" aria-label="Photos by age" tabindex="0">
        <table>
          <caption class="unseen">
            Photos by weeks since sowing
          </caption>
          <thead>
            <tr>
              <td></td>
              <th v-for="week in weeks" :key="week" scope="col">week {{ week + 1 }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.id">
              <th scope="row">{{ row.name }}</th>
              <td v-for="week in weeks" :key="week">
                <figure v-for="photo in inWeek(row, week)" :key="photo.id">
                  <a :href="store.address(photo.body.fileId)">
                    <img
                      :src="store.address(photo.body.fileId, 'small')"
                      :alt="alt(photo, row.id)"
                      loading="lazy"
                      :width="photo.body.width"
                      :height="photo.body.height"
                    />
                  </a>
                  <figcaption class="small soft">
                    day {{ store.age(photo, row.id) }} · {{ printDay(photo.body.on) }}
                  </figcaption>
                </figure>
                <span v-if="!inWeek(row, week).length" class="soft" aria-label="no photo">·</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="undated.length" class="soft small">{{ undated.length }} more of unknown age.</p>
    </template>
  </div>
</template>

<style scoped>
.pick {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 0.8rem;
  max-width: 46rem;
}

th {
  padding: 0.4rem 1rem 0.4rem 0;
  text-align: left;
  vertical-align: top;
}

tbody th {
  min-width: 8rem;
  max-width: 12rem;
}

td {
  padding: 0.4rem 0.8rem 0.8rem 0;
  vertical-align: top;
}

img {
  width: 14rem;
  height: auto;
  max-height: 14rem;
  object-fit: cover;
  border: 1px solid var(--line-strong);
  border-radius: 0.3rem;
}

@media (max-width: 52rem) {
  img {
    width: 10rem;
  }
}
</style>
