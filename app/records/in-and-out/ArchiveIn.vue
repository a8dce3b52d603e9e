<script setup lang="ts">
import { present } from '#core/present'
import { followed } from '~/records/in-and-out/followed'
import { counted } from '#core/text/plurals'
import { oneOf, type ArchiveKind } from '#shared/archive/format'

/** An archive is looked at first: what is new, the same, different; then it is taken in whole, or left. */
interface Found {
  written: boolean
  changes: number
  made: boolean
  kinds: { kind: ArchiveKind; fresh: number; same: number; differing: number }[]
  differing: { kind: ArchiveKind; id: string; name: string; newer: 'here' | 'archive' }[]
  contradictions: string[]
}
const household = useHousehold()
const { note } = useNotes()
const file = ref<File | null>(null)
const into = ref<'here' | 'own'>(household.id ? 'here' : 'own')
const differing = ref<'here' | 'archive' | 'newer'>('here')
const found = ref<Found | null>(null)
const busy = ref<'looking' | 'taking' | null>(null)
const problem = ref<string>()
/** The id a household of its own gets, the same for looking and taking. */
let ownId = newId()

const done = ref(0)
/** Leaves what is under way; another look takes the place of one. */
let leaving = new AbortController()
const target = () => (into.value === 'own' ? ownId : household.id)
function ask(id: string, seen: number | null) {
  done.value = 0
  problem.value = undefined
  const command = { name: 'bring in archive', differing: differing.value, seen } as const
  return followed<Found>(addressWithFile(id, command), {
    body: present(file.value),
    type: 'application/zip',
    went: (share) => (done.value = share),
    signal: leaving.signal,
  })
}
async function look() {
  if (!file.value || busy.value === 'taking') return
  leaving.abort()
  const own = (leaving = new AbortController())
  busy.value = 'looking'
  found.value = null
  try {
    const answer = await ask(target(), null)
    if (own !== leaving) return
    found.value = answer
  } catch (error) {
    if (own !== leaving) return
    if (own.signal.aborted) note('Stopped. Nothing was written.')
    else problem.value = whyNothing(error)
  }
  busy.value = null
}
async function takeIn() {
  const id = target()
  leaving = new AbortController()
  busy.value = 'taking'
  try {
    const taken = await ask(id, present(found.value).changes)
    await household.moveTo(id)
    await household.load()
    note(`${counted(total(taken, 'fresh'), 'record')} taken in.`)
    file.value = null
    ownId = newId()
  } catch (error) {
    if (!leaving.signal.aborted) problem.value = whyNothing(error)
  }
  found.value = null
  busy.value = null
  // Stopped at the last moment it may be in already: looking again says so.
  if (leaving.signal.aborted) await look()
}
function choose(chosen: File) {
  file.value = chosen
  void look()
}
const total = ({ kinds }: Found, key: 'fresh' | 'same' | 'differing') =>
  kinds.reduce((sum, one) => sum + one[key], 0)
const rows = computed(() =>
  (found.value?.kinds ?? []).filter((one) => one.fresh + one.same + one.differing > 0),
)
const nothing = computed(
  () => found.value !== null && total(found.value, 'fresh') + total(found.value, 'differing') === 0,
)
</script>

<template>
  <div class="in stack-l">
    <ChoiceField
      v-if="household.id"
      v-model="into"
      label="Import"
      :choices="[
        { value: 'here', name: `into ${household.record?.name}` },
        { value: 'own', name: 'as a new household' },
      ]"
      @update:model-value="look"
    />
    <FileField
      label="Choose an archive"
      accept=".zip,application/zip"
      hint="a zip file exported by Blastomix"
      :disabled="busy !== null"
      @choose="choose"
    />
    <template v-if="busy">
      <p role="status" class="soft">
        {{ busy === 'looking' ? `Checking ${file?.name} …` : 'Importing …' }}
      </p>
      <UnderWay :label="busy === 'looking' ? 'Checking' : 'Importing'" :done="done" @stop="leaving.abort()" />
    </template>
    <Message v-if="problem" severity="error">{{ problem }}</Message>
    <div v-if="found" class="found stack-l" role="status">
      <h3>{{ file?.name }}</h3>
      <p v-if="found.made">It becomes a new household.</p>
      <p v-if="nothing">Nothing new: everything in it is here already.</p>
      <FigureTable v-else :columns="['Kind', 'New', 'The same', 'Different']">
        <tr v-for="one in rows" :key="one.kind">
          <th scope="row">{{ oneOf(one.kind) }}</th>
          <td>{{ one.fresh || '–' }}</td>
          <td>{{ one.same || '–' }}</td>
          <td>{{ one.differing || '–' }}</td>
        </tr>
      </FigureTable>
      <template v-if="found.differing.length">
        <ChoiceField
          v-model="differing"
          label="Where both differ, keep"
          :choices="[
            { value: 'here', name: 'what is here' },
            { value: 'archive', name: 'the archive’s' },
            { value: 'newer', name: 'the newer one' },
          ]"
          hint="the other stays as an earlier version"
          @update:model-value="look"
        />
        <ul class="differing">
          <li v-for="one in found.differing" :key="`${one.kind} ${one.id}`">
            {{ oneOf(one.kind) }}: {{ one.name }}
            <span class="soft">newer {{ one.newer === 'here' ? 'here' : 'in the archive' }}</span>
          </li>
        </ul>
      </template>
      <template v-if="found.contradictions.length">
        <p>Conflicts, and how they are resolved:</p>
        <ul>
          <li v-for="one in found.contradictions" :key="one">{{ one }}</li>
        </ul>
      </template>
      <div class="buttons">
        <Button v-if="!nothing" class="main" :disabled="busy !== null" @click="takeIn">Import</Button>
        <Button @click="found = null">Cancel</Button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.in,
.found {
  justify-items: start;
}

.differing {
  max-height: 16rem;
  overflow: auto;
}
</style>
