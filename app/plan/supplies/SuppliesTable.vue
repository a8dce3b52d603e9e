<script setup lang="ts" generic="Row extends { id: string; name: string }">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'

/** What a household owns of one kind: found, sorted, opened, removed. */
defineProps<{
  id: string
  title: string
  rows: readonly Row[]
  /** Beside the name: a field of the row, its heading, and whether the rows can be put in its order. */
  columns: readonly { field: keyof Row & string; header: string; sortable?: boolean }[]
}>()
defineSlots<
  { add?: () => unknown; empty?: () => unknown; name?: (props: { row: Row }) => unknown } & {
    act: (props: { row: Row }) => unknown
  } & Record<string, ((props: { row: Row }) => unknown) | undefined>
>()

/** So many are seen at a glance. */
const AT_A_GLANCE = 6
const filters = ref({ global: { value: null as string | null, matchMode: 'contains' } })
</script>

<template>
  <section :aria-labelledby="id">
    <div class="head">
      <h2 :id="id">{{ title }}</h2>
      <slot name="add" />
    </div>
    <DataTable
      v-if="rows.length"
      v-model:filters="filters"
      :value="[...rows]"
      data-key="id"
      removable-sort
      :global-filter-fields="['name']"
    >
      <template v-if="rows.length > AT_A_GLANCE" #header>
        <TextField
          :model-value="filters.global.value"
          :label="`Search ${title.toLowerCase()}`"
          hide-label
          placeholder="Search"
          @update:model-value="filters.global.value = $event || null"
        />
      </template>
      <template #empty>No match</template>
      <Column field="name" header="Name" sortable>
        <template #body="{ data }">
          <slot name="name" :row="data as Row">
            <strong>{{ (data as Row).name }}</strong>
          </slot>
        </template>
      </Column>
      <Column
        v-for="(column, index) in columns"
        :key="column.field"
        :field="column.field"
        :header="column.header"
        :sortable="column.sortable ?? false"
        :class="index > 0 ? 'on-wide' : ''"
        :body-class="index === columns.length - 1 ? 'soft' : ''"
      >
        <template #body="{ data }">
          <slot :name="column.field" :row="data as Row">{{ (data as Row)[column.field] }}</slot>
        </template>
      </Column>
      <Column body-class="act">
        <template #header><span class="unseen">Actions</span></template>
        <template #body="{ data }"><slot name="act" :row="data as Row" /></template>
      </Column>
    </DataTable>
    <p v-else class="empty"><slot name="empty" /></p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding-bottom: 0.6rem;
  border-bottom: 2px solid var(--ink);
}

@media (max-width: 46rem) {
  :deep(.on-wide) {
    display: none;
  }
}

.empty {
  padding: 1rem 0;
  text-align: start;
  color: var(--ink-soft);
}
</style>
