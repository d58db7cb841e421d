<script setup lang="ts">
import type { Api } from '@/shared/api/client'
import type { Bench } from './useJob'

defineProps<{
  /** The job. */
  job: Bench
}>()
const emit = defineEmits<{ show: [thread: number] }>()
const ended: Record<string, string> = { verified: 'proved', 'handed-back': 'handed back', unproved: 'closed unproved' }
const place = (t: Api<'ThreadView'>) => (t.slot > 0 ? `, ${t.ink.toLowerCase()}` : '')
</script>

<template>
  <nav v-if="job.threads.length > 1" class="mb-3 flex flex-wrap gap-1.5" aria-label="Threads of this machine">
    <button
      v-for="t in job.threads"
      :key="t.id"
      type="button"
      class="min-h-11 rounded-t border px-3 text-left"
      :class="t.id === job.thread ? 'border-ink bg-sheet font-bold' : 'border-line bg-rail'"
      :aria-current="t.id === job.thread ? 'true' : undefined"
      :data-thread="t.id"
      @click="emit('show', t.id)"
    >
      <span aria-hidden="true">{{ t.how ? '✓' : '○' }}</span> {{ t.complaint }}{{ place(t) }}
      <span v-if="t.how" class="font-normal text-soft">· {{ ended[t.how] ?? t.how }}</span>
    </button>
  </nav>
</template>
