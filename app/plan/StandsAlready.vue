<script setup lang="ts">
import { counted } from '#core/text/plurals'

/** What stands on the bench already, typed or pasted as a list: a line each, read word by word like a wish. */
const season = useSeason()
const id = useId()
const text = ref('')
const busy = ref(false)
const { lines, shown, say } = useListLines(text)
const ready = computed(() => lines.value.filter(({ open }) => open === null))
const tooMany = computed(
  () => shown.value?.questions.find(({ line }) => line >= lines.value.length)?.question,
)

async function keep() {
  busy.value = true
  const all = ready.value.flatMap(({ plans }) =>
    plans.flatMap(({ wish, sowings }) =>
      sowings.map((after) => ({ id: newId(), after, sownOn: after.sowOn, up: wish.up })),
    ),
  )
  const name = `${counted(all.length, 'sowing')} already growing`
  if (await season.keepAll(name, all, `Added: ${name}.`)) {
    // What was not understood stays, to be said again.
    text.value = lines.value.flatMap(({ line, open }) => (open === null ? [] : [line])).join('\n')
  }
  busy.value = false
}
</script>

<template>
  <section class="growing no-print stack" aria-label="Already growing">
    <label :for="id">One tray per line: how many, of what, sown when, how many are up</label>
    <textarea
      :id="id"
      v-model="text"
      class="input"
      rows="4"
      placeholder="36 tomatillos in 72-cell trays, sown 13 March, 31 up"
    />
    <ul v-if="shown && lines.length" class="lines stack">
      <li v-for="(one, index) in lines" :key="index">
        <SaidBack :read="shown" :line="index" words-only @say="say(index, $event)" />
        <p v-if="one.open && !one.asked" class="problem">{{ one.open }}</p>
      </li>
    </ul>
    <p v-if="tooMany" class="problem">{{ tooMany }}</p>
    <Button class="main" :disabled="!ready.length || busy" @click="keep">
      {{ ready.length ? `Add ${counted(ready.length, 'line')}` : 'Add' }}
    </Button>
  </section>
</template>

<style scoped>
.growing {
  justify-items: start;
}

.growing > ul {
  width: 100%;
}

.lines li {
  padding-top: 0.4rem;
  border-top: 1px solid var(--line);
}
</style>
