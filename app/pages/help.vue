<script setup lang="ts">
import { GENERAL_KEYS } from '#shared/messages/keys'
import { PAGE_HELP } from '#shared/messages/page-help'
import { ALL_CAUTIONS } from '#shared/messages/cautions'
import { FEEDING_METHODS } from '#core/feed/programme'
import { GLOSSARY } from '#core/glossary'
import { LIGHT_METHODS } from '#core/places/light'
import { STARTING_RECIPES } from '#core/media/recipes'
import { UNITS } from '#core/units/unit-table'
import CITED from '#core/working/sources.json'
import { SOURCE_TAGS } from '#core/working/source'

definePageMeta({
  place: {
    title: 'Help',
    what: 'how it works, words, methods, cautions, sources',
    words: 'help manual booklet glossary sources keys methods',
    parent: '/settings',
    tab: 5,
  },
})
const { all } = usePlaces()
/** Folders of core that are called otherwise on a page. */
const DOMAINS: Readonly<Record<string, string>> = {
  media: 'mixes',
  feed: 'feeds',
  sowing: 'seed',
  readings: 'devices',
  jobs: 'guided jobs',
}
const cited = computed(() => [
  ...CITED,
  ...[...new Set(UNITS.map(({ source }) => source))].map((cite) => ({
    tag: 'standard',
    cite,
    for: ['units'],
  })),
])
const tags = computed(() =>
  SOURCE_TAGS.map((tag) => ({ ...tag, list: cited.value.filter((one) => one.tag === tag.id) })),
)
const pages = computed(() =>
  Object.entries(PAGE_HELP).map(([path, help]) => ({
    path,
    help,
    title: all.value.find((place) => place.path === path)?.title ?? THINGS[path] ?? path,
  })),
)
const THINGS: Readonly<Record<string, string>> = {
  '/trays/:id': 'A tray',
  '/batches/:id': 'The card of a batch',
  '/batches/feed/:id': 'The card of a feed',
  '/jobs/:id': 'A job',
  '/jobs/sheets/:id': 'A job on paper',
  '/records/trace/:id': 'Where a tray comes from',
}
/** One is shown at a time; the booklet that is printed has them all. */
const TOPICS = {
  how: 'How it works',
  words: 'Words',
  methods: 'Methods',
  cautions: 'Cautions',
  pages: 'Every page',
  keys: 'Keys',
  sources: 'Sources',
}
const route = useRoute()
const topic = computed(
  () => Object.keys(TOPICS).find((id) => route.hash.slice(1).split('-')[0] === id) ?? 'how',
)
const print = () => window.print()
const { said } = useMeasures()
</script>

<template>
  <div class="booklet stack-l">
    <PageTop title="Help">
      <Button class="no-print" @click="print">Print the booklet</Button>
    </PageTop>
    <nav aria-label="In this booklet" class="no-print row-l">
      <NuxtLink
        v-for="(name, id) in TOPICS"
        :key="id"
        :to="`#${id}`"
        :aria-current="id === topic ? 'true' : undefined"
        >{{ name }}</NuxtLink
      >
    </nav>
    <section aria-labelledby="how" class="stack" :class="{ folded: topic !== 'how' }">
      <h2 id="how">How it works</h2>
      <HowItWorks />
    </section>
    <section aria-labelledby="words" class="stack" :class="{ folded: topic !== 'words' }">
      <h2 id="words">Words</h2>
      <dl class="words">
        <div v-for="word in GLOSSARY" :key="word.id">
          <dt>{{ word.name }}</dt>
          <dd>{{ word.means }}</dd>
        </div>
      </dl>
    </section>
    <section aria-labelledby="methods" class="stack" :class="{ folded: topic !== 'methods' }">
      <h2 id="methods">Where growers disagree</h2>
      <p class="soft">
        A method is a set of habits with a reason and a cost. Pick one under
        <NuxtLink to="/plan?frame=open">Frosts and places</NuxtLink>; any stage can still be changed.
      </p>
      <h3>Hours of light</h3>
      <dl>
        <template v-for="method in LIGHT_METHODS" :key="method.id">
          <dt>{{ method.name }}</dt>
          <dd>{{ method.why }} {{ method.cost }}</dd>
        </template>
      </dl>
      <h3>How often to feed</h3>
      <dl>
        <template v-for="method in FEEDING_METHODS" :key="method.id">
          <dt>{{ method.name }}</dt>
          <dd>{{ method.why }} {{ method.cost }}</dd>
        </template>
      </dl>
      <h3>What the mix is made of</h3>
      <dl>
        <template v-for="recipe in STARTING_RECIPES" :key="recipe.id">
          <dt>{{ recipe.name }}</dt>
          <dd>{{ recipe.reasoning }}</dd>
        </template>
      </dl>
    </section>
    <section aria-labelledby="cautions" class="stack" :class="{ folded: topic !== 'cautions' }">
      <h2 id="cautions">What can hurt</h2>
      <p class="soft">Labels, local codes and licensed advice come first.</p>
      <dl>
        <template v-for="caution in ALL_CAUTIONS" :key="caution.id">
          <dt>{{ caution.title }}</dt>
          <dd>{{ said(caution.text) }}</dd>
        </template>
      </dl>
    </section>
    <section aria-labelledby="pages" class="stack" :class="{ folded: topic !== 'pages' }">
      <h2 id="pages">Every page</h2>
      <div v-for="{ path, help, title } in pages" :key="path" class="page">
        <h3>
          <NuxtLink v-if="!path.includes(':')" :to="path">{{ title }}</NuxtLink><template v-else>{{
            title
          }}</template>
        </h3>
        <p>{{ help.why }}</p>
        <ul>
          <li v-for="way in help.ways" :key="way">{{ way }}</li>
        </ul>
        <p v-if="help.keys" class="soft">
          <template v-for="([key, does], i) in help.keys" :key="key"
            ><template v-if="i">, </template><kbd>{{ key }}</kbd> {{ does }}</template
          >
        </p>
      </div>
    </section>
    <section aria-labelledby="keys" class="stack" :class="{ folded: topic !== 'keys' }">
      <h2 id="keys">Keys</h2>
      <dl class="keys">
        <template v-for="[key, does] in GENERAL_KEYS" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ does }}</dd>
        </template>
        <template v-for="place in all.filter(({ key }) => key)" :key="place.path">
          <dt>
            <kbd>{{ place.key }}</kbd>
          </dt>
          <dd>{{ place.title }}, where single letters are switched on in Settings</dd>
        </template>
      </dl>
    </section>
    <section aria-labelledby="sources" class="stack" :class="{ folded: topic !== 'sources' }">
      <h2 id="sources">Sources</h2>
      <p class="soft">Press any figure in Blastomix to see how it was worked out and its sources.</p>
      <template v-for="{ id, name, means, list } in tags" :key="id">
        <h3 :id="`sources-${id}`" tabindex="-1">{{ name }}</h3>
        <p class="soft">{{ means }}</p>
        <ul v-if="list.length" class="cited">
          <li v-for="one in list" :key="one.cite">
            {{ one.cite
            }}<span class="soft">, {{ one.for.map((domain) => DOMAINS[domain] ?? domain).join(', ') }}</span>
          </li>
        </ul>
      </template>
    </section>
  </div>
</template>

<style scoped>
.booklet {
  max-width: 60rem;
}

@media screen {
  .folded {
    display: none;
  }
}

nav a[aria-current] {
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}

.words {
  columns: 22rem 2;
  column-gap: 2rem;
}

.words > div {
  break-inside: avoid;
  padding-bottom: 0.5rem;
}

dt {
  font-weight: 650;
}

dd {
  margin: 0 0 0.4rem;
}

.keys {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.1rem 1rem;
}

.page {
  break-inside: avoid;
}

.cited {
  columns: 24rem 2;
  column-gap: 2rem;
}

/* On paper in two columns. */
@media print {
  .booklet {
    display: block;
    max-width: none;
    columns: 2;
    column-gap: 1.4rem;
    font-size: 9pt;
    line-height: 1.3;
  }

  .words,
  .cited {
    columns: 1;
  }

  section {
    padding-bottom: 0.8rem;
  }
}
</style>
