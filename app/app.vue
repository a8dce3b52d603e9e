<script setup lang="ts">
import { ClientOnly, NuxtPage, NuxtRouteAnnouncer } from '#components'
import ConfirmDialog from 'primevue/confirmdialog'
import InUseDialog from '~/components/records/InUseDialog.vue'
import { useHead, useRoute } from '#imports'
import { defineAsyncComponent, onMounted, ref } from 'vue'
import WorkingSlip from '~/components/figures/WorkingSlip.vue'
import CommandPalette from '~/components/shell/CommandPalette.vue'
import FirstHousehold from '~/components/shell/FirstHousehold.vue'
import OwnDay from '~/components/shell/OwnDay.vue'
import ServerSilent from '~/components/shell/ServerSilent.vue'
import RunTimers from '~/components/runs/RunTimers.vue'
import ShellHeader from '~/components/shell/ShellHeader.vue'
import ShellNote from '~/components/shell/ShellNote.vue'
import { useHelpOpen } from '~/composables/useHelpOpen'
import { keepToday } from '~/composables/useToday'
import { useKeys } from '~/composables/useKeys'
import { useCommands } from '~/state/commands'
import { useHousehold } from '~/state/household'
import { usePreferences } from '~/state/preferences'
const NewWords = defineAsyncComponent(() => import('~/components/help/NewWords.vue'))
const HelpPanel = defineAsyncComponent(() => import('~/components/help/HelpPanel.vue'))
const MaterialTextures = defineAsyncComponent(() => import('~/components/drawings/MaterialTextures.vue'))
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
  htmlAttrs: { class: () => (preferences.theme === 'dark' ? 'dark' : '') },
})
</script>

<template>
  <div>
    <NuxtRouteAnnouncer />
    <a class="skip" href="#main">Skip to the page</a>
    <!-- Drawn once the page is alive: 300 kB of marks need not travel with every page. -->
    <ClientOnly><MaterialTextures /></ClientOnly>
    <ShellHeader v-if="!route.meta.bare" @palette="showPalette" @help="help = true" />
    <OwnDay v-if="household.record?.clock && !route.meta.bare" />
    <ClientOnly><RunTimers v-if="household.everything" /></ClientOnly>
    <component
      :is="route.meta.bare ? 'div' : 'main'"
      id="main"
      tabindex="-1"
      :class="{ bare: route.meta.bare }"
    >
      <ServerSilent v-if="household.failed" />
      <FirstHousehold v-else-if="!household.everything" />
      <template v-else>
        <ClientOnly v-if="!route.meta.bare"><NewWords /></ClientOnly>
        <NuxtPage />
      </template>
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
  padding: 1.1rem clamp(0.9rem, 2vw, 2rem) calc(3rem + var(--foot));
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
