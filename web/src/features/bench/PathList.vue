<script setup lang="ts">
import { percent } from '@/shared/format'
import type { Bench } from './useJob'

defineProps<{
  /** The job, for its stations. */
  job: Bench
}>()
const emit = defineEmits<{ station: [id: string] }>()
const look = {
  confirmed: 'border-2 border-go bg-go-tint text-go',
  leading: 'border-2 border-stop text-stop',
  cleared: 'border-dashed border-go text-go',
  open: '',
}
const stateOf = (s: Bench['stations'][number]) =>
  s.confirmed ? 'confirmed' : s.leading ? 'leading' : s.cleared ? 'cleared' : 'open'
const paths = [
  { id: 'signal', name: 'Signal' },
  { id: 'ink', name: 'Ink' },
  { id: 'waste', name: 'Waste' },
]
</script>

<template>
  <div v-for="path in paths" :key="path.id" class="p-1">
    <h2 class="text-sm">{{ path.name }}</h2>
    <ol class="flex flex-wrap gap-1.5">
      <li v-for="s in job.stations.filter((x) => x.path === path.id)" :key="s.id">
        <button
          type="button"
          class="press flex-col gap-0 px-2 text-sm"
          :class="look[stateOf(s)]"
          :data-station="s.id"
          :data-state="stateOf(s)"
          @click="emit('station', s.id)"
        >
          {{ s.name }}
          <span class="font-mono font-normal">{{
            s.confirmed ? '+ found' : s.cleared ? '✓ cleared' : percent(s.suspicionRatio)
          }}</span>
        </button>
      </li>
    </ol>
  </div>
</template>
