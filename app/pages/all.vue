<script setup lang="ts">
definePageMeta({
  place: {
    title: 'All of Blastomix',
    tabTitle: 'All pages',
    what: 'every page, on one',
    words: 'index contents map site where find pages menu',
    parent: '/settings',
    tab: 6,
  },
})
const { all } = usePlaces()
/** What somebody asks, and where it is answered: a line each. */
const LINES = [
  ['What is there to do?', '/ /jobs /first'],
  ['When do I sow?', '/plan /crops /plan/odds'],
  ['Where does it go?', '/trays /trays/labels /plan/light'],
  ['What do I sow it in?', '/mix /find /batches'],
  ['How do I feed it?', '/feed /programme /blend'],
  ['When do I water?', '/trays/try-it'],
  ['What is wrong with it?', '/signs /signs/practice'],
  ['What do I have and need?', '/supplies /plan/shopping'],
  [
    'What happened, and why?',
    '/records /records/photos /records/charts /records/learned /records/trials /records/year',
  ],
  ['How is it set up?', '/settings /devices /in-and-out /tables /shared /help'],
] as const
const lines = computed(() => {
  const byPath = new Map(all.value.map((place) => [place.path, place]))
  return LINES.map(([question, paths]) => ({
    question,
    pages: paths.split(' ').flatMap((path) => byPath.get(path) ?? []),
  }))
})
</script>

<template>
  <div class="page">
    <PageTop title="All of Blastomix" />
    <dl>
      <div v-for="line in lines" :key="line.question">
        <dt>{{ line.question }}</dt>
        <dd>
          <NuxtLink v-for="page in line.pages" :key="page.path" :to="page.path" :title="page.what">{{
            page.title
          }}</NuxtLink>
        </dd>
      </div>
    </dl>
  </div>
</template>

<style scoped>
dl > div {
  display: grid;
  grid-template-columns: 15rem minmax(0, 1fr);
  gap: 0 1.2rem;
  align-items: center;
  border-top: 1px solid var(--line);
}

dt {
  padding: 0.5rem 0;
  font: 640 1.1rem/1.2 var(--heading);
}

dd {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1.6rem;
}

a {
  display: inline-flex;
  align-items: center;
  min-height: 2.75rem;
}

@media (max-width: 46rem) {
  dl > div {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
