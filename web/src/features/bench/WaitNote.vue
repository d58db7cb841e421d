<script setup lang="ts">
import { computed } from 'vue'
import { countdown } from '@/shared/format'
import { useNow } from '@/shared/state/useNow'
import type { Bench } from './useJob'

const props = defineProps<{
  /** The job, for its running clocks. */
  job: Bench
}>()
const now = useNow()
const running = computed(() =>
  props.job.clocks
    .map((c) => ({ id: c.id, label: c.label, left: new Date(c.endsAt).getTime() - now.value }))
    .filter((c) => c.left > 0),
)
</script>

<template>
  <p
    v-for="c in running"
    :key="c.id"
    class="mt-1.5 rounded-r border-l-4 border-wait bg-wait-tint px-2 py-1"
    data-testid="wait-note"
  >
    <strong>Time works:</strong> {{ c.label }}, <span class="font-mono font-bold">{{ countdown(c.left) }}</span> to go.
    This is for when it rings.
  </p>
</template>
