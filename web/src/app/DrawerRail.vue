<script setup lang="ts">
import { useSession } from '@/shared/state/useSession'
import KeyCap from '@/shared/ui/KeyCap.vue'

defineProps<{
  /** Whether the lamp is on (light) or off (dark). */
  lamp: 'on' | 'off'
}>()
const emit = defineEmits<{ jump: []; keys: []; lamp: [] }>()
const session = useSession()
const drawers = [
  { to: '/today', name: 'Today' },
  { to: '/take-in', name: 'Take in' },
  { to: '/bench', name: 'Bench' },
  { to: '/records', name: 'Records' },
  { to: '/shelf', name: 'Shelf' },
  { to: '/guides', name: 'Guides' },
  { to: '/sums', name: 'Sums' },
  { to: '/practice', name: 'Practice' },
]
</script>

<template>
  <div
    class="fixed inset-x-0 bottom-0 z-20 flex gap-1.5 overflow-x-auto border-t border-line bg-rail p-1.5 md:sticky md:top-[4.75rem] md:h-[calc(100vh-4.75rem)] md:w-[5.75rem] md:shrink-0 md:flex-col md:overflow-y-auto md:border-t-0 md:border-r md:p-2"
  >
    <nav aria-label="Drawers" class="flex flex-1 gap-1.5 md:flex-none md:flex-col">
      <RouterLink v-for="d in drawers" :key="d.to" v-slot="{ isActive, href, navigate }" :to="d.to" custom>
        <a
          :href="href"
          class="flex min-h-11 min-w-16 flex-1 flex-col items-center justify-center gap-1.5 rounded border py-1.5 font-bold md:min-h-14 md:flex-none"
          :class="isActive ? 'border-mat bg-mat text-mat-text' : 'border-line bg-sheet text-ink'"
          :aria-current="isActive ? 'page' : undefined"
          @click="navigate"
        >
          <span class="hidden h-2 w-8 rounded border-2 border-current opacity-70 md:block" aria-hidden="true" />
          {{ d.name }}
        </a>
      </RouterLink>
    </nav>
    <div class="flex gap-1.5 md:mt-auto md:flex-col">
      <RouterLink v-if="session.person?.role === 'Owner'" to="/people" class="press px-1 text-sm">People</RouterLink>
      <button type="button" class="press px-2 text-sm" @click="emit('lamp')">
        {{ lamp === 'on' ? 'Lamp off' : 'Lamp on' }}
      </button>
      <button type="button" class="press hidden px-2 text-sm md:inline-flex" @click="emit('keys')">
        keys <KeyCap of="?" does="keys of this screen" />
      </button>
      <button type="button" class="press px-2 text-sm" @click="emit('jump')">
        jump <KeyCap of="/" does="jump anywhere" />
      </button>
    </div>
  </div>
</template>
