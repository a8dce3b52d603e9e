<script setup lang="ts">
import { TABLE_IDS, tableById } from '#shared/tables/tables'

definePageMeta({
  place: {
    title: 'Tables',
    what: 'spreadsheets in and out, as CSV',
    words: 'csv spreadsheet excel calc table import export paste columns',
    parent: '/settings',
    tab: 4,
  },
})
const household = useHousehold()
const tables = TABLE_IDS.map((id) => ({ id, name: tableById(id).name, what: tableById(id).what }))
const at = computed(() => `/api/households/${household.id}/tables`)
</script>

<template>
  <div class="tables">
    <PageTop title="Tables" />
    <section class="stack" aria-labelledby="in-title">
      <h2 id="in-title">Import</h2>
      <TableIn />
    </section>
    <section class="stack" aria-labelledby="out-title">
      <h2 id="out-title">Export</h2>
      <p class="soft">Edit it in a spreadsheet and import it again. Empty cells change nothing.</p>
      <ul class="plain">
        <li v-for="{ id, name, what } in tables" :key="id">
          <b :title="what">{{ name }}</b>
          <span class="buttons">
            <a
              class="button"
              :href="`${at}/${id}`"
              :download="`${id}.csv`"
              :aria-label="`${name} as CSV with commas`"
              >CSV</a
            >
            <a
              class="button"
              :href="`${at}/${id}?decimal=comma`"
              :download="`${id}.csv`"
              :aria-label="`${name} as CSV with semicolons and decimal commas`"
              >CSV with ;</a
            >
          </span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.tables {
  display: grid;
  gap: 2rem;
  max-width: 60rem;
}

.plain li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
  justify-content: space-between;
  align-items: center;
  padding-block: 0.4rem;
  border-bottom: 1px solid var(--line);
}
</style>
