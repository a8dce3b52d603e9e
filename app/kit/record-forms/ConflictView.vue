<script setup lang="ts" generic="Body extends object">
import { present } from '#core/present'
import { dequal } from 'dequal'

/** Two versions of one record, field by field: what differs is marked, and each can be chosen. */
const props = defineProps<{
  message: string
  mine: Body
  /** As it stands there; null where it was removed. */
  theirs: Body | null
  settle: (body: Body) => Promise<boolean>
}>()
const emit = defineEmits<{ settled: []; later: [] }>()
const { labelOf, say } = useFieldWords()
const name = useId()
const busy = ref(false)

type Key = keyof Body & string
const differing = computed(() =>
  props.theirs
    ? (Object.keys(props.mine) as Key[]).filter((key) => !dequal(props.mine[key], present(props.theirs)[key]))
    : [],
)
const chosen = reactive<Record<string, 'mine' | 'theirs'>>({})
const whose = (key: string) => chosen[key] ?? 'mine'

async function settleWith(body: Body) {
  busy.value = true
  if (await props.settle(copyOf(body))) emit('settled')
  busy.value = false
}
const merged = computed(() => ({
  ...props.mine,
  ...Object.fromEntries(
    differing.value.filter((key) => whose(key) === 'theirs').map((key) => [key, present(props.theirs)[key]]),
  ),
}))
</script>

<template>
  <section class="conflict stack" role="alert">
    <p>
      <strong>{{ message }}</strong>
      <template v-if="!theirs"> It was removed there; keeping yours makes it anew.</template>
      <template v-else-if="differing.length === 0"> Both say the same.</template>
    </p>
    <table v-if="differing.length">
      <thead>
        <tr>
          <th scope="col">What differs</th>
          <th scope="col">Yours</th>
          <th scope="col">There now</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="key in differing" :key="key">
          <th scope="row">{{ labelOf(key) }}</th>
          <td v-for="side in ['mine', 'theirs'] as const" :key="side" :class="{ on: whose(key) === side }">
            <label>
              <RadioButton
                :model-value="whose(key)"
                :name="`${name}-${key}`"
                :value="side"
                :aria-label="`${labelOf(key)}: ${side === 'mine' ? 'yours' : 'theirs'}, ${say(key, side === 'mine' ? mine[key] : present(theirs)[key])}`"
                @update:model-value="chosen[key] = side"
              />
              <span>{{ say(key, side === 'mine' ? mine[key] : present(theirs)[key]) }}</span>
            </label>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="buttons">
      <Button class="main" :disabled="busy" @click="settleWith(mine)">Keep mine</Button>
      <Button v-if="theirs" :disabled="busy" @click="settleWith(theirs)">Take theirs</Button>
      <Button v-if="differing.length > 1" :disabled="busy" @click="settleWith(merged)"
        >Keep what is ticked</Button
      >
      <Button @click="emit('later')">Decide later</Button>
    </div>
  </section>
</template>

<style scoped>
.conflict {
  padding: 0.9rem 1rem;
  border-left: 4px solid var(--beet);
  background: var(--beet-wash);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  padding: 0.35rem 0.6rem 0.35rem 0;
  font-weight: 600;
  text-align: left;
  vertical-align: top;
}

td {
  padding: 0.3rem;
  border-top: 1px solid var(--line-strong);
  vertical-align: top;
}

td.on {
  background: var(--paper-raised);
  font-weight: 600;
}

label {
  display: flex;
  gap: 0.5rem;
  align-items: start;
  cursor: pointer;
  overflow-wrap: anywhere;
}
</style>
