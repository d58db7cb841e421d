<script setup lang="ts">
import { computed } from 'vue'
import type { Bench } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
  /** A write is on its way. */
  busy: boolean
  /** Whether this person may take the closing back. */
  mayBench: boolean
}>()
const emit = defineEmits<{ reopen: [entry: number] }>()
const words: Record<string, string> = {
  verified: 'Mended and proved',
  'handed-back': 'Handed back unmended',
  unproved: 'Closed without proof',
}
const thread = computed(() => props.job.threads.find((t) => t.id === props.job.thread))
const how = computed(() => props.job.closedHow ?? thread.value?.how ?? '')
const line = computed(() =>
  props.job.entries.find((e) => e.kind === (props.job.closedHow ? 'closed' : 'thread-closed') && !e.takenBack),
)
</script>

<template>
  <section class="panel border-2 border-ink" data-testid="closed-card">
    <p class="text-sm text-soft">
      {{
        job.handedOver
          ? 'Handed over'
          : job.closedHow
            ? 'Closed; waits to be handed over'
            : 'This thread is closed; others are open'
      }}
    </p>
    <h2 class="text-2xl">{{ words[how] ?? how }}</h2>
    <p v-if="job.closedReason" class="mt-1">{{ job.closedReason }}</p>
    <div class="mt-3 flex flex-wrap gap-2">
      <RouterLink v-if="job.closedHow" class="press press-main" :to="`/bench/${job.id}/hand-over`"
        >Hand-over sheet</RouterLink
      >
      <button
        v-if="line && mayBench && !job.handedOver"
        type="button"
        class="press"
        :disabled="busy"
        @click="emit('reopen', line.id)"
      >
        Open it again
      </button>
    </div>
  </section>
</template>
