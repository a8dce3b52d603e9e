<script setup lang="ts">
import { ClientOnly, NuxtPage, NuxtRouteAnnouncer } from '#components'
import ConfirmDialog from 'primevue/confirmdialog'
import InUseDialog from '~/kit/record-forms/InUseDialog.vue'
import { useHead, useRoute } from '#imports'
import { defineAsyncComponent, onMounted, ref } from 'vue'
import WorkingSlip from '~/kit/figures/WorkingSlip.vue'
import CommandPalette from '~/shell/CommandPalette.vue'
import FirstHousehold from '~/shell/FirstHousehold.vue'
import PlaceTabs from '~/shell/PlaceTabs.vue'
import ServerSilent from '~/shell/ServerSilent.vue'
import JobTimers from '~/today/jobs/JobTimers.vue'
import ShellHeader from '~/shell/ShellHeader.vue'
import ShellNote from '~/shell/ShellNote.vue'
import StorageNotice from '~/shell/StorageNotice.vue'
import { useHelpOpen } from '~/help/useHelpOpen'
import { keepToday } from '~/household/useToday'
import { useKeys } from '~/shell/useKeys'
import { useCommands } from '~/household/commands'
import { useHousehold } from '~/household/household'
import { usePreferences } from '~/household/preferences'
const HelpPanel = defineAsyncComponent(() => import('~/help/HelpPanel.vue'))
const MaterialTextures = defineAsyncComponent(() => import('~/kit/drawings/MaterialTextures.vue'))
const household = useHousehold()
const palette = ref(false)
// After the list that Escape has just closed: it takes the focus back with a timer of its own.
const showPalette = () => setTimeout(() => (palette.value = true))
const help = useHelpOpen()
useKeys({ palette: showPalette, help: () => (help.value = true) })
const preferences = usePreferences()
const route = useRoute()
await household.ready()
keepToday()
// What was on its way when the page was left.
onMounted(() => setTimeout(() => void useCommands().resend()))
useHead({
  title: () => route.meta.place?.title ?? '',
  htmlAttrs: { 'data-theme': () => preferences.theme },
})
</script>

<template>
  <div>
    <NuxtRouteAnnouncer />
    <a class="skip" href="#main">Skip to the page</a>
    <!-- Drawn once the page is alive: 300 kB of marks need not travel with every page. -->
    <ClientOnly><MaterialTextures /></ClientOnly>
    <ShellHeader v-if="!route.meta.bare" @palette="showPalette" @help="help = true" />
    <PlaceTabs v-if="household.everything && !route.meta.bare" />
    <StorageNotice />
    <ClientOnly><JobTimers v-if="household.everything" /></ClientOnly>
    <component
      :is="route.meta.bare ? 'div' : 'main'"
      id="main"
      tabindex="-1"
      :class="{ bare: route.meta.bare }"
    >
      <ServerSilent v-if="household.failed" />
      <FirstHousehold v-else-if="!household.everything" />
      <NuxtPage v-else />
    </component>
    <WorkingSlip />
    <CommandPalette v-model="palette" />
    <HelpPanel v-model="help" />
    <InUseDialog />
    <ConfirmDialog />
    <ShellNote />
  </div>
</template>

<style scoped>
#main {
  max-width: 88rem;
  margin: 0 auto;
  padding: 1.1rem clamp(0.9rem, 2vw, 2rem) calc(3rem + var(--foot) + var(--note));
  outline: none;
}

#main.bare {
  padding-block: 0.6rem 0;
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
