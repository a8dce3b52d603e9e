<script setup lang="ts">
import { CircleQuestionMark, Redo2, Search, Settings, Undo2 } from '@lucide/vue'

const OwnDay = defineAsyncComponent(() => import('~/shell/OwnDay.vue'))
/** The five places, in the order of work, and what is at hand on every page. On a phone the places stand at the foot. */
defineEmits<{ palette: []; help: [] }>()
const household = useHousehold()
const preferences = usePreferences()
const undoing = useUndo()
const { main, here } = usePlaces()
</script>

<template>
  <header class="shell">
    <NuxtLink to="/" class="brand row-s nowrap" aria-label="Blastomix: Today">
      <svg viewBox="0 0 32 30" width="34" height="32" aria-hidden="true">
        <path d="M16 29V15" stroke="currentColor" stroke-width="2.4" stroke-linecap="round" />
        <path
          d="M16 16C8.500 16 5 11.500 5 5c7.500 0 11 4.500 11 11Zm0 3c0-5.500 3.500-9 10-9 0 6.500-3.500 9-10 9Z"
          fill="currentColor"
        />
      </svg>
      <span>Blastomix</span>
    </NuxtLink>
    <nav aria-label="Places">
      <NuxtLink
        v-for="place in main"
        :key="place.path"
        :to="place.path"
        class="stake"
        :class="{ here: here === place.path }"
        :aria-current="here === place.path ? 'page' : undefined"
        :title="preferences.letterKeys ? `${place.what} (${place.key})` : place.what"
      >
        {{ place.name ?? place.title }}
      </NuxtLink>
    </nav>
    <div class="tools">
      <OwnDay v-if="household.record?.clock" />
      <template v-if="household.everything">
        <IconButton
          :icon="Undo2"
          aria-label="Undo"
          title="Undo (Ctrl Z)"
          :disabled="!undoing.canUndo"
          @click="undoing.undo()"
        />
        <IconButton
          :icon="Redo2"
          class="redo"
          aria-label="Redo"
          title="Redo (Ctrl Shift Z)"
          :disabled="!undoing.canRedo"
          @click="undoing.redo()"
        />
      </template>
      <IconButton
        :icon="Search"
        aria-label="Search or jump to (Ctrl K)"
        title="Search or jump to (Ctrl K)"
        @click="$emit('palette')"
      />
      <IconButton
        :icon="CircleQuestionMark"
        aria-label="Help for this page (?)"
        title="Help for this page (?)"
        @click="$emit('help')"
      />
      <NuxtLink
        to="/settings"
        class="icon-button"
        aria-label="Settings"
        title="Settings"
        :aria-current="here === '/settings' ? 'page' : undefined"
      >
        <Settings aria-hidden="true" />
      </NuxtLink>
    </div>
  </header>
</template>

<style scoped>
/* Plant labels stuck into a strip of soil. */
.shell {
  position: relative;
  display: flex;
  align-items: flex-end;
  gap: clamp(0.6rem, 1.6vw, 2rem);
  height: 3.7rem;
  padding: 0 clamp(0.9rem, 2vw, 2rem);
  background: var(--paper-deep);
}

.shell::after {
  content: '';
  position: absolute;
  inset: auto 0 0;
  height: 0.6rem;
  background:
    radial-gradient(circle at 6px 1px, var(--paper-deep) 2.5px, transparent 3px) 0 0 / 17px 100% repeat-x,
    radial-gradient(circle at 3px 0, var(--paper-deep) 2px, transparent 2.5px) 0 0 / 11px 100% repeat-x,
    var(--soil);
  pointer-events: none;
}

.brand {
  padding-bottom: 0.85rem;
  color: var(--ink);
  font: 720 1.5rem/1 var(--heading);
  letter-spacing: -0.03em;
  text-decoration: none;
}

.brand svg {
  color: var(--enamel);
}

nav {
  display: flex;
  gap: 0.4rem;
}

.stake {
  display: block;
  padding: 0.5rem clamp(0.6rem, 1.15vw, 1.15rem) 1.1rem;
  border: 1.5px solid var(--line-strong);
  border-bottom: 0;
  border-radius: 0.55rem 0.55rem 0 0;
  background: var(--paper-raised);
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
  white-space: nowrap;
}

.stake:hover {
  border-color: var(--enamel);
  color: var(--enamel);
}

.stake.here {
  border-color: var(--enamel);
  background: var(--enamel);
  color: var(--on-enamel);
}

.tools {
  display: flex;
  align-items: center;
  gap: 0.1rem;
  margin-left: auto;
  padding-bottom: 0.75rem;
}

@media (max-width: 64rem) {
  .brand span {
    display: none;
  }
}

@media (max-width: 46rem) {
  .shell {
    height: 3.3rem;
    gap: 0.3rem;
    padding-inline: 0.7rem 0.3rem;
  }

  .redo {
    display: none;
  }

  .tools {
    gap: 0;
    min-width: 0;
    padding-bottom: 0.6rem;
  }

  .brand {
    padding-bottom: 0.6rem;
  }

  nav {
    position: fixed;
    inset: auto 0 0;
    z-index: 20;
    gap: 0.2rem;
    padding: 0.35rem 0.3rem 0;
    background: var(--paper-deep);
    border-top: 0.35rem solid var(--soil);
  }

  .stake {
    flex: 1 1 auto;
    padding: 0.7rem 0.2rem;
    text-align: center;
  }
}
</style>
