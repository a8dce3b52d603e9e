<script setup lang="ts">
import { first as firstOf } from '#core/numeric/at'
import { present } from '#core/present'
import { counted } from '#core/text/plurals'
import { WISH_EXAMPLE } from '#core/language/wish-said'

/**
 * Sowings in one sentence, answered as it is typed: what each word was taken for, and what follows of each crop, drawn into the
 * season before it is kept. With a word that was not understood nothing is planned until somebody says so.
 */
const { label = 'What do you want to grow?' } = defineProps<{ label?: string }>()
const emit = defineEmits<{ planned: [id: string]; typed: [] }>()
const season = useSeason()
const id = useId()

const text = defineModel<string>({ default: '' })
const { field, say, pick } = useSayAnew(text)
const busy = ref(false)
/** The sentence whose stops were pressed away. */
const sure = ref('')
let thoughtId = ''
const { shown, plans, ready, stops, failed, reading, settled } = useWishPlan(text)
watch(
  () => plans.value[0],
  (plan) => {
    const body = plan?.answer ? plan.sowings[0] : undefined
    if (!body) return void (season.thought = null)
    thoughtId ||= newId()
    season.thought = { id: thoughtId, body }
  },
)
onBeforeUnmount(() => (season.thought = null))

/** A list that is pasted, a line each, is one sentence. */
function pasteLines(event: ClipboardEvent) {
  const pasted = event.clipboardData?.getData('text') ?? ''
  if (!/\n/.test(pasted.trim())) return
  event.preventDefault()
  text.value = [text.value.trim(), ...pasted.split(/\n+/).map((line) => line.trim())]
    .filter(Boolean)
    .join(', ')
  emit('typed')
}
async function plan() {
  await settled()
  if (!ready.value || busy.value) return
  if (stops.value.length && sure.value !== text.value) return void (sure.value = text.value)
  busy.value = true
  const changes = plans.value.flatMap(({ wish, sowings }, k) =>
    sowings.map((after, i) => ({
      id: k === 0 && i === 0 ? thoughtId : newId(),
      after,
      sownOn: wish.sown ? after.sowOn : null,
      up: wish.up,
    })),
  )
  season.thought = null
  const name = firstOf(changes).after.name
  const stands = plans.value.every(({ wish }) => wish.sown)
  const said = `${changes.length > 1 ? `${counted(changes.length, 'sowing')}: ${name} and the rest` : name}: ${stands ? 'added' : 'planned'}.`
  if (await season.keepAll(name, changes, said)) {
    text.value = ''
    emit('planned', thoughtId)
    thoughtId = ''
  }
  busy.value = false
}
</script>

<template>
  <form class="sentence no-print stack-s" @submit.prevent="plan">
    <label :for="id">{{ label }}</label>
    <div class="line">
      <input
        :id="id"
        ref="field"
        v-model="text"
        class="input"
        maxlength="600"
        autocomplete="off"
        :placeholder="WISH_EXAMPLE"
        :aria-invalid="shown?.questions.length ? 'true' : undefined"
        :aria-describedby="`${id}-answer`"
        @input="emit('typed')"
        @paste="pasteLines"
      />
      <Button type="submit" class="main" :disabled="!(ready || reading) || busy">{{
        stops.length && sure === text ? 'Plan anyway' : 'Plan'
      }}</Button>
    </div>
    <div :id="`${id}-answer`" class="answer stack-s" aria-live="polite">
      <SaidBack v-if="shown" :read="shown" words-only @say="say" @pick="pick" />
      <p v-if="failed" class="problem">
        Can’t reach the server. Your text is kept; try again when you are back online.
      </p>
      <p v-for="{ wish, problem } in plans.filter((one) => one.problem)" :key="wish.called" class="problem">
        {{ plans.length > 1 ? `${wish.called}: ` : '' }}{{ problem }}
      </p>
      <template v-for="({ wish, sowings, answer, totals }, i) in plans" :key="i">
        <WishAnswer
          v-if="answer"
          :wish="wish"
          :body="present(sowings[0])"
          :answer="answer"
          :totals="totals"
          :named="plans.length > 1"
        />
      </template>
      <div v-if="stops.length" class="stops" role="status">
        <p v-for="stop in stops" :key="stop">{{ stop }}</p>
        <p v-if="sure === text">Press again to plan anyway.</p>
      </div>
    </div>
  </form>
</template>

<style scoped>
label {
  font: 640 1.1rem/1.1 var(--heading);
}

.line {
  display: flex;
  gap: 0.6rem;
}

.line .input {
  flex: 1;
  min-width: 0;
  min-height: 3rem;
  font-size: 1.2rem;
}

.line .button {
  min-height: 3rem;
}

.stops {
  padding: 0.6rem 0.8rem;
  border-left: 4px solid var(--marigold);
  background: var(--paper-deep);
}

.answer {
  max-width: 62rem;
}
</style>
