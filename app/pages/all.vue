<script setup lang="ts">
import { definePageMeta } from '#imports'
import { NuxtLink } from '#components'
import { usePlaces } from '~/shell/usePlaces'
import PageTop from '~/shell/PageTop.vue'

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
const { main, all, pagesOf } = usePlaces()
/** A line for each place, and one for settings. */
const lines = [
  ...main.value.map(({ path, name, title }) => ({ path, name: name ?? title })),
  { path: '/settings', name: 'Settings' },
].map((line) => ({ ...line, pages: pagesOf(line.path).filter(({ path }) => path !== '/all') }))
const started = all.value.find(({ path }) => path === '/first')
</script>

<template>
  <div class="all">
    <PageTop title="All of Blastomix" />
    <dl>
      <template v-for="line in lines" :key="line.path">
        <dt>{{ line.name }}</dt>
        <dd>
          <ul>
            <li v-for="page in line.pages" :key="page.path">
              <NuxtLink :to="page.path">{{ page.title }}</NuxtLink>
              <span class="soft small">{{ page.what }}</span>
            </li>
          </ul>
        </dd>
      </template>
    </dl>
    <p v-if="started" class="soft">
      New here? <NuxtLink :to="started.path">{{ started.title }}</NuxtLink>
    </p>
  </div>
</template>

<style scoped>
.all {
  display: grid;
  gap: 1.2rem;
}

dl {
  display: grid;
  grid-template-columns: 8rem minmax(0, 1fr);
  gap: 0 1.2rem;
}

dt,
dd {
  padding: 0.6rem 0;
  border-top: 1px solid var(--line);
}

dt {
  font: 640 1.15rem/1.3 var(--heading);
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: 0.35rem 1.2rem;
}

li {
  display: grid;
  align-content: start;
}

@media (max-width: 46rem) {
  dl {
    grid-template-columns: minmax(0, 1fr);
  }

  dd {
    padding-top: 0;
    border-top: 0;
  }
}
</style>
