<script setup lang="ts">
const household = useHousehold()
const palette = ref(false)
// After the list that Escape has just closed: it takes the focus back with a timer of its own.
const showPalette = () => setTimeout(() => (palette.value = true))
useKeys({ palette: showPalette })
const preferences = usePreferences()
useHead({ htmlAttrs: { class: () => (preferences.theme === 'dark' ? 'dark' : '') } })
</script>

<template>
  <div>
    <NuxtRouteAnnouncer />
    <a class="skip" href="#main">Skip to the page</a>
    <MaterialTextures />
    <ShellHeader @palette="showPalette" />
    <main id="main" tabindex="-1">
      <ServerSilent v-if="household.failed" />
      <FirstHousehold v-else-if="!household.everything" />
      <slot v-else />
    </main>
    <WorkingSlip />
    <CommandPalette v-model="palette" />
    <ShellNote />
  </div>
</template>

<style scoped>
main {
  max-width: 88rem;
  margin: 0 auto;
  padding: 1.1rem clamp(0.9rem, 2vw, 2rem) 3rem;
  outline: none;
}

.skip {
  position: absolute;
  left: 1rem;
  top: -4rem;
  z-index: 20;
  padding: 0.6rem 1rem;
  background: var(--paper-raised);
}

.skip:focus {
  top: 0.5rem;
}
</style>
