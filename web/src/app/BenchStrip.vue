<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { clockTime } from '@/shared/format'
import { useBoard } from '@/shared/state/useBoard'
import { useNextHands } from '@/features/today/useDay'
import { useMinute, useNow } from '@/shared/state/useNow'
import { useSession } from '@/shared/state/useSession'
import StripPlace from './StripPlace.vue'

const emit = defineEmits<{ switch: [] }>()
const { places } = useBoard()
const next = useNextHands()
const now = useNow()
const minute = useMinute()
const route = useRoute()
const router = useRouter()
const session = useSession()
const here = computed(() => Number(route.params.id ?? 0))
const clock = computed(() => clockTime(minute.value))

onKeyStroke(
  (event) => event.altKey && /^Digit[1-9]$/.test(event.code),
  (event) => {
    event.preventDefault()
    const at = places.value[Number(event.code.slice(5)) - 1]
    if (at) void router.push(at.job ? `/bench/${at.job.id}` : '/take-in')
  },
)
</script>

<template>
  <header class="bench-mat sticky top-0 z-30 flex items-end gap-2 bg-mat px-2 pt-1.5 text-mat-text md:px-3">
    <RouterLink to="/today" class="hidden w-20 shrink-0 self-center pb-2 leading-tight font-bold md:block">
      Side<br />Bench
      <span class="mt-1 flex gap-1" aria-hidden="true">
        <span v-for="i in 4" :key="i" class="h-1 w-2.5 bg-current" />
      </span>
    </RouterLink>
    <nav aria-label="Bench places" class="relative min-w-0 flex-1 overflow-x-auto">
      <ol class="flex gap-1.5">
        <li v-for="p in places" :key="p.place" class="min-w-32 flex-1 basis-0">
          <StripPlace
            :place="p.place"
            :job="p.job"
            :now="now"
            :here="p.job !== null && p.job.id === here"
            :next="p.job ? next.get(p.job.id) : undefined"
          />
        </li>
      </ol>
    </nav>
    <button
      type="button"
      class="mb-1 shrink-0 rounded px-2 py-1 text-right hover:bg-mat-raised focus-visible:outline-mat-text"
      @click="emit('switch')"
    >
      <span class="block font-mono text-xl font-bold">{{ clock }}</span>
      <span class="block max-w-28 truncate text-sm"
        >{{ session.person?.name }}<span class="sr-only">, switch person</span></span
      >
    </button>
  </header>
</template>

<style>
.bench-mat {
  background-image:
    linear-gradient(rgb(255 255 255 / 4%) 1px, transparent 1px),
    linear-gradient(90deg, rgb(255 255 255 / 4%) 1px, transparent 1px);
  background-size: 18px 18px;
}
</style>
