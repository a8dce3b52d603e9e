<script setup lang="ts">
import { present } from '#core/present'

/** Who is at the bench: offered wherever a name is asked. */
const household = useHousehold()
const { saving, save, dismiss } = useHouseholdAnswer<{ people: string[] }>(
  'who is at the bench',
  ({ people }) => ({ people }),
  (whole, { people }) => ({ ...whole, people }),
)
const name = ref('')
const problem = ref<string>()
async function add() {
  const said = name.value.trim().replace(/\s+/g, ' ')
  const people = present(household.record).people
  problem.value = !said
    ? 'Say a name.'
    : said.length > 80
      ? 'Keep the name under 80 characters.'
      : people.includes(said)
        ? `${said} is there already.`
        : undefined
  if (!problem.value && (await save({ people: [...people, said] }))) name.value = ''
}
const remove = (who: string) =>
  save({ people: present(household.record).people.filter((one) => one !== who) })
</script>

<template>
  <div class="people stack">
    <ul v-if="household.record?.people.length" aria-label="People">
      <li v-for="who in household.record.people" :key="who">
        {{ who }}
        <Button text @click="remove(who)"
          >Remove<span class="unseen"> {{ who }}</span></Button
        >
      </li>
    </ul>
    <p v-else class="soft">No people added yet.</p>
    <form @submit.prevent="add">
      <TextField v-model="name" label="A name" :problem="problem" />
      <Button type="submit">Add</Button>
    </form>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
  </div>
</template>

<style scoped>
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.4rem;
}

form {
  display: flex;
  gap: 0.6rem;
  align-items: end;
  max-width: 26rem;
}
</style>
