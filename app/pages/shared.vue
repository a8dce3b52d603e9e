<script setup lang="ts">
import { present } from '#core/present'
import { last as lastOf } from '#core/numeric/at'
import { useEventListener } from '@vueuse/core'
import {
  asWords,
  card as cardShape,
  cardOf,
  CARD_FORMAT,
  CARD_VERSION,
  COLLECTION_OF,
  fromFragment,
  readCard,
  rowsOf,
  type Card,
} from '#shared/sharing/card'

definePageMeta({
  place: {
    title: 'Shared with you',
    what: 'open a recipe, feed or schedule somebody sent, or paste a recipe',
    words: 'share shared link qr import recipe text paste',
    parent: '/mix',
  },
})
const household = useHousehold()
const { attempt } = useCommands()
const { lists, namesOf } = useCards()

const opened = ref<Card | null>(null)
const problem = ref<string>()
const name = ref('')
function open(read: () => Card) {
  problem.value = undefined
  try {
    opened.value = read()
    name.value = opened.value.body.name
    beside.value = NONE
  } catch (error) {
    opened.value = null
    problem.value = error instanceof RangeError ? error.message : whyNot(error)
  }
}
const fromAddress = () => {
  const fragment = window.location.hash.slice(1)
  if (fragment) open(() => fromFragment(fragment))
}
onMounted(fromAddress)
useEventListener('hashchange', fromAddress)
const choose = async (file: File) => {
  const text = file.size > 256 * 1024 ? '' : await file.text()
  open(() => {
    if (!text) throw new RangeError('This file is larger than any recipe.')
    return readCard(text)
  })
}

/** One’s own of the same kind, to be seen beside it. */
const NONE = 'none'
const beside = ref(NONE)
const mine = computed(() =>
  opened.value ? present(household.everything)[COLLECTION_OF[opened.value.kind]] : [],
)
const words = computed(() => (opened.value ? asWords(opened.value, namesOf(opened.value), false) : ''))
const other = computed(() => {
  const one = mine.value.find(({ id }) => id === beside.value)
  if (!one || !opened.value) return ''
  const own = cardOf(opened.value.kind, one.body as Card['body'], lists())
  return asWords(own, namesOf(own), false)
})
const rows = computed(() => (opened.value ? rowsOf(opened.value, lists(), newId) : []))
const nameProblem = computed(() =>
  !name.value.trim()
    ? 'Give it a name.'
    : mine.value.some(({ body }) => body.name === name.value.trim())
      ? 'One of yours is called so: give it another name, or leave it.'
      : undefined,
)
async function keep() {
  const all = rows.value
  const last = lastOf(all)
  const kept = all.map(({ collection, id, body }) =>
    saving(collection, id, 0, (id === last.id ? { ...body, name: name.value.trim() } : body) as never),
  )
  if (await attempt(name.value, kept, `${name.value} is kept.`))
    await navigateTo(present(opened.value).kind === 'recipe' ? '/mix' : '/feed')
}
/** On paper the card carries the code that opens it. */
const { code } = useCardCode(opened)
const print = () => window.print()
const readWords = (body: Card['body']) =>
  open(() =>
    cardShape.parse({
      format: CARD_FORMAT,
      version: CARD_VERSION,
      kind: 'recipe',
      needs: cardOf('recipe', body, lists()).needs,
      body,
    }),
  )
const KINDS = { recipe: 'Recipe', feed: 'Feed', schedule: 'Feeding schedule' }
</script>

<template>
  <div class="shared">
    <PageTop title="Shared with you" />
    <Message v-if="problem" severity="error">{{ problem }}</Message>
    <section v-if="opened" aria-labelledby="opened-title">
      <h2 id="opened-title">{{ KINDS[opened.kind] }}: {{ opened.body.name }}</h2>
      <div class="two">
        <pre aria-label="What was shared">{{ words }}</pre>
        <div class="no-print">
          <ChoiceField
            v-if="mine.length"
            v-model="beside"
            label="Beside mine"
            :choices="[
              { value: NONE, name: 'none' },
              ...mine.map(({ id, body }) => ({ value: id, name: body.name })),
            ]"
          />
          <pre v-if="other" aria-label="Mine">{{ other }}</pre>
        </div>
      </div>
      <p v-if="rows.length > 1" class="soft">
        With it come
        {{
          rows
            .slice(0, -1)
            .map(({ body }) => (body as { name: string }).name)
            .join(', ')
        }}.
      </p>
      <img
        v-if="code"
        class="only-print"
        :src="code"
        width="180"
        height="180"
        :alt="`A code that opens ${opened.body.name}`"
      />
      <div class="keep no-print">
        <TextField v-model="name" label="Save as" :problem="nameProblem" />
        <div class="buttons">
          <Button class="main" :disabled="!!nameProblem" @click="keep">Save</Button>
          <Button @click="print">Print the card</Button>
          <Button @click="opened = null">Cancel</Button>
        </div>
      </div>
    </section>
    <section class="no-print" aria-labelledby="words-title">
      <h2 id="words-title">A recipe somebody wrote</h2>
      <RecipeWords @read="readWords" />
    </section>
    <section class="no-print" aria-labelledby="file-title">
      <h2 id="file-title">A card as a file</h2>
      <FileField label="Open a card" accept=".json,application/json" @choose="choose" />
    </section>
  </div>
</template>

<style scoped>
.only-print {
  display: none;
}

@media print {
  .only-print {
    display: block;
  }
}

.shared {
  display: grid;
  gap: 2rem;
  max-width: 64rem;
}

section,
.keep {
  display: grid;
  gap: 0.7rem;
}

.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 20rem), 1fr));
  gap: 1.5rem;
}

pre {
  margin: 0;
  padding: 1rem;
  font: inherit;
  white-space: pre-wrap;
  background: var(--paper-deep);
  border-radius: 0.5rem;
}
</style>
