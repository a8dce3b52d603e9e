<script setup lang="ts">
definePageMeta({
  place: {
    title: 'Shopping list',
    what: 'what to buy, and by when',
    words: 'buy buying purchase short missing cost price',
    parent: '/plan',
    tab: 4,
  },
})
const print = () => window.print()
</script>

<template>
  <div class="page">
    <PageTop title="Shopping list">
      <button type="button" class="button" @click="print">Print</button>
    </PageTop>
    <ShoppingList />
    <p class="soft small">
      What you plan, less what is in <NuxtLink to="/supplies">Supplies</NuxtLink>; prices are kept there.
    </p>
  </div>
</template>
