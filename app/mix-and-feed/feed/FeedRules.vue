<script setup lang="ts">
import { X } from '@lucide/vue'
import { spellings, type Rate } from '#core/feed/rate'
import { printNumber } from '#core/units/format'

const saying = useSaying()

/** Rules people go by, each a mark on the scale; and the wanted strength in every other spelling. */
const feed = useFeedDraft()
const { volume } = useMeasures()
const text = ref('')
const { say } = useSayAnew(text)
const { shown, meaning, reading, settled } = useReader<Rate>('rule', text, () => ({
  feedForm: feed.draft.label.form,
  tools: feed.named,
}))
async function add() {
  await settled()
  if (!meaning.value) return
  feed.addRule(text.value.trim())
  text.value = ''
}
const others = computed(() => (feed.plan ? spellings(feed.feed, feed.draft.targetNMgPerL) : []))
</script>

<template>
  <section class="rules" aria-labelledby="rules-title">
    <h2 id="rules-title" class="unseen">Rules on the scale</h2>
    <form @submit.prevent="add">
      <TextField
        v-model="text"
        label="A rule you go by"
        hide-label
        placeholder="Your rule: 1 tbsp per gal, 1:500, half …"
      />
      <Button type="submit" :disabled="!(meaning || reading)">Add to chart</Button>
      <SaidBack v-if="shown" class="said" :read="shown" @say="say" />
    </form>
    <ul v-if="feed.rules.length" class="marks">
      <li v-for="(rule, index) in feed.rules" :key="rule.text" class="row-s">
        <strong>{{ rule.text }}</strong>
        <template v-if="rule.strength">
          is <FigureValue :figure="rule.strength" :digits="printNumber(rule.strength.value)" />
          {{ saying.litreUnit
          }}<template v-if="rule.eachL"
            >, {{ printNumber(rule.strength.value * rule.eachL) }} mg of nitrogen a pot; for ten pots mix
            {{ volume(rule.eachL * 10) }}</template
          >
          <button
            v-if="rule.ratio"
            type="button"
            class="link"
            :aria-label="`${rule.text}: read it as one part ${rule.meaning === 'in' ? 'to' : 'in'} so many`"
            @click="feed.turnRule(index)"
          >
            {{ rule.meaning === 'in' ? '1 part in n' : '1 part to n of water' }}
          </button>
          <button type="button" class="link" @click="feed.setTarget(rule.strength.value)">use it</button>
        </template>
        <span v-else class="soft">{{ rule.why }}</span>
        <Button text :aria-label="`Delete ${rule.text}`" @click="feed.removeRule(index)">
          <X aria-hidden="true" />
        </Button>
      </li>
    </ul>
    <p v-if="others.length" class="soft others whole">
      {{ saying.strength(feed.draft.targetNMgPerL) }} is
      <template v-for="(one, index) in others" :key="one.id"
        ><template v-if="index"> · </template><span>{{ one.text }}</span></template
      >
    </p>
  </section>
</template>

<style scoped>
.rules {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.4rem 1.6rem;
  align-items: start;
}

form {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0.5rem;
  align-items: start;
}

.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1.4rem;
}

.others span {
  white-space: nowrap;
}
</style>
