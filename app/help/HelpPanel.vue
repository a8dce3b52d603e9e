<script setup lang="ts">
import { sayCautions } from '#shared/messages/cautions'
import { wordById } from '#core/glossary'
import { GENERAL_KEYS } from '#shared/messages/keys'

/** What this page is for, its words, its keys, and what can hurt here. */
const open = defineModel<boolean>({ required: true })
const route = useRoute()
const preferences = usePreferences()
const help = usePageHelp()
const { main } = usePlaces()
const title = computed(() => route.meta.place?.title ?? 'This page')
const keys = computed(() => [
  ...(help.value?.keys ?? []),
  ...GENERAL_KEYS,
  ...(preferences.letterKeys
    ? main.value.flatMap(({ key, title: name }) => (key ? [[key, name] as const] : []))
    : []),
])
const { said } = useMeasures()
</script>

<template>
  <Drawer
    v-model:visible="open"
    position="right"
    :header="`${title}: what is this for?`"
    class="no-print"
    :pt="{ root: { 'aria-label': `${title}: what is this for?` } }"
  >
    <div v-if="help" class="help stack-l">
      <p class="why">{{ help.why }}</p>
      <ul>
        <li v-for="way in help.ways" :key="way">{{ way }}</li>
      </ul>
      <section v-for="caution in sayCautions(help.cautions ?? [])" :key="caution.id" class="caution small">
        <strong>{{ caution.title }}:</strong> {{ said(caution.text) }}
      </section>
      <template v-if="help.words.length">
        <h2>Words</h2>
        <dl>
          <template v-for="word in help.words.map(wordById)" :key="word.id">
            <dt>{{ word.name }}</dt>
            <dd>{{ word.means }}</dd>
          </template>
        </dl>
      </template>
      <h2>Keys</h2>
      <dl class="keys">
        <template v-for="[key, does] in keys" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ does }}</dd>
        </template>
      </dl>
    </div>
    <p class="buttons">
      <NuxtLink class="button" to="/help" @click="open = false">The whole booklet</NuxtLink>
      <NuxtLink class="button" to="/help#how" @click="open = false">How it works</NuxtLink>
    </p>
  </Drawer>
</template>

<style scoped>
.why {
  font-size: 1.1rem;
}

dl {
  display: grid;
  gap: 0.2rem 0.8rem;
}

dt {
  font-weight: 650;
}

.keys {
  grid-template-columns: auto 1fr;
}
</style>
