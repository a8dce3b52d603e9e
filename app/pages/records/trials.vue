<script setup lang="ts">
import { sayTrial } from '#shared/messages/trials'
import type { Stored } from '#shared/records/collections'
import type { TrialRecord } from '#shared/records/trial'
import { sideOf } from '#shared/derived/group-facts'

definePageMeta({
  place: {
    title: 'Trials',
    what: 'compare two ways of growing fairly',
    words: 'compare experiment test which mix is better supplier chance significant',
    parent: '/records',
    tab: 4,
  },
})
const { all, facts, verdictOf, end } = useTrials()
const trays = useTrays()
const { printDay, printLongDay } = useDates()
const making = ref(false)

const isBlind = ({ body }: Stored<TrialRecord>) => body.blind && body.endedOn === null
const sidesOf = (trial: Stored<TrialRecord>) =>
  trial.body.arms.map((arm) => ({
    ...sideOf(arm, facts.value),
    name: isBlind(trial) ? `side ${arm.code}` : arm.name,
  }))
const traysOf = ({ body }: Stored<TrialRecord>) =>
  [...new Set(body.arms.flatMap(({ groups }) => groups.map(({ trayId }) => trayId)))].flatMap(
    (id) => trays.find(id) ?? [],
  )
const counted = computed(() => (trial: Stored<TrialRecord>) => sidesOf(trial).every(({ of }) => of > 0))
</script>

<template>
  <div class="trials">
    <PageTop title="Trials">
      <Button class="main" @click="making = true">Set up a trial</Button>
    </PageTop>

    <p v-if="!all.length" class="slip">
      No trial yet. Lay out a tray, and before it is sown press <b>Set up a trial</b>: its cells are dealt to
      two sides by lot. What a cold corner or moving air does it then does to both.
    </p>
    <article v-for="trial in all" :key="trial.id" class="trial stack" :aria-labelledby="`trial-${trial.id}`">
      <header>
        <h2 :id="`trial-${trial.id}`">{{ trial.body.name }}</h2>
        <p class="soft">
          Set up {{ printLongDay(trial.body.on) }}
          <template v-for="tray in traysOf(trial)" :key="tray.id">
            · <NuxtLink :to="`/trays/${tray.id}`">tray {{ tray.number }}</NuxtLink></template
          >
          · lot {{ trial.body.seed }}
          <template v-if="trial.body.endedOn"> · judged {{ printDay(trial.body.endedOn) }}</template>
        </p>
      </header>
      <SidesDrawing :sides="sidesOf(trial)" />
      <ul v-if="!isBlind(trial)" class="names">
        <li v-for="arm in trial.body.arms" :key="arm.code">
          <b>{{ arm.code }}</b> {{ arm.name }}
        </li>
      </ul>
      <p v-else class="soft">Which is which is shown once it is judged.</p>
      <template v-if="counted(trial)">
        <div v-for="verdict in verdictOf(trial)" :key="verdict.pair.join()" class="verdict stack-s">
          <p :class="{ differs: verdict.up.differs }">{{ sayTrial(verdict.up) }}</p>
          <p v-if="verdict.days" :class="{ differs: verdict.days.differs }">{{ sayTrial(verdict.days) }}</p>
          <p v-if="sayTrial(verdict.good) !== sayTrial(verdict.up)" class="soft">
            {{ sayTrial(verdict.good) }}
          </p>
        </div>
      </template>
      <p v-else class="slip">Count both sides as usual, on the tray’s page: then it is judged here.</p>
      <p class="no-print">
        <Button v-if="!trial.body.endedOn" :disabled="!counted(trial)" @click="end(trial, true)"
          >Judge it</Button
        >
        <Button v-else text @click="end(trial, false)">It goes on</Button>
      </p>
    </article>

    <EarlierRecords collection="trials" :newest="15" what="trials" />
    <CompareRecords />

    <Dialog v-model:visible="making" modal class="wide" header="Set up a trial" :draggable="false">
      <TrialForm @close="making = false" />
    </Dialog>
  </div>
</template>

<style scoped>
.trials {
  display: grid;
  gap: 1.3rem;
  max-width: 62rem;
}

.trial {
  padding-top: 1rem;
  border-top: 1px solid var(--line);
}

.names {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.5rem;
}

.verdict {
  padding: 0.6rem 0.9rem;
  border-left: 4px solid var(--line-strong);
  background: var(--paper-deep);
}

.verdict p:first-child {
  font-size: 1.125rem;
}

.differs {
  font-weight: 600;
}
</style>
