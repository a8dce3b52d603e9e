<script setup lang="ts">
import { asWords, cardOf, MAX_LINK_LETTERS, type Card } from '#shared/sharing/card'

/** A recipe, a feed or a schedule to hand on: as a link, a code, a message, a file. */
const props = defineProps<{ kind: Card['kind']; body: Card['body'] }>()
const emit = defineEmits<{ close: [] }>()
const { lists, namesOf } = useCards()
const { note } = useNotes()

const card = computed(() => cardOf(props.kind, props.body, lists()))
const { link, code } = useCardCode(card)
const words = ref<'plain' | 'markdown'>('plain')
const text = computed(() => asWords(card.value, namesOf(card.value), words.value === 'markdown'))
async function copy(said: string, what: string) {
  try {
    await navigator.clipboard.writeText(said)
    note(`${what} is copied.`)
  } catch {
    note('This browser does not let pages copy: select the text and copy it by hand.')
  }
}
const save = () =>
  saveFile(
    `${props.body.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.json`,
    'application/json',
    `${JSON.stringify(card.value, null, 2)}\n`,
  )
</script>

<template>
  <Dialog
    visible
    modal
    class="wide"
    :header="`Share ${body.name}`"
    :draggable="false"
    @update:visible="emit('close')"
  >
    <div class="share">
      <section aria-labelledby="share-link">
        <h3 id="share-link">As a link</h3>
        <p v-if="link.length > MAX_LINK_LETTERS" class="soft">Too large for a link: send the file.</p>
        <template v-else>
          <p class="soft">The link contains the whole card; nothing is stored elsewhere.</p>
          <textarea readonly rows="3" aria-label="The link" :value="link" />
          <p class="buttons">
            <Button @click="copy(link, 'The link')">Copy the link</Button>
            <NuxtLink class="button" :to="link.slice(link.indexOf('/shared'))">As a card to print</NuxtLink>
          </p>
        </template>
      </section>
      <section v-if="code" aria-labelledby="share-code">
        <h3 id="share-code">As a code</h3>
        <img :src="code" width="220" height="220" :alt="`A code that opens ${body.name}`" />
      </section>
      <section aria-labelledby="share-words">
        <h3 id="share-words">As a message</h3>
        <div class="buttons" role="group" aria-label="How the message is written">
          <Button :aria-pressed="words === 'plain'" @click="words = 'plain'">Plain</Button>
          <Button :aria-pressed="words === 'markdown'" @click="words = 'markdown'">Markdown</Button>
        </div>
        <textarea readonly rows="7" aria-label="The message" :value="text" />
        <Button @click="copy(text, 'The message')">Copy the message</Button>
      </section>
      <section aria-labelledby="share-file">
        <h3 id="share-file">As a file</h3>
        <Button @click="save">Save it as JSON</Button>
      </section>
    </div>
  </Dialog>
</template>

<style scoped>
.share {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 18rem), 1fr));
  gap: 1.5rem;
}

section {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
  align-content: start;
}

img {
  background: white;
  max-width: 100%;
}
</style>
