<script setup lang="ts">
import { computed } from 'vue'
import { money, withUnit } from '@/shared/format'
import type { Bench } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
}>()
const total = computed(() => props.job.spent.labour + props.job.spent.parts)
const changes = computed(() =>
  props.job.known.filter((k) => k.key === 'changed' || k.key === 'stays-off').map((k) => k.says.split(':')[0]!),
)
const over = computed(() => props.job.spent.limit !== null && total.value > props.job.spent.limit)
</script>

<template>
  <section class="panel p-3" aria-labelledby="spent-title">
    <h2 id="spent-title" class="text-base">Spent so far</h2>
    <p class="font-mono">
      {{ withUnit(job.spent.minutes, 'min') }} · {{ withUnit(job.spent.inkMl, 'ml', 1) }} ·
      {{ money(total, job.spent.currency) }}
    </p>
    <p v-if="job.spent.limit !== null" :class="over ? 'font-bold text-stop' : 'text-soft'">
      {{ over ? 'Past the limit of' : 'Limit without asking:' }} {{ money(job.spent.limit, job.spent.currency) }}
    </p>
    <p v-if="job.counterPct !== null" class="text-soft">Waste counter last read: {{ withUnit(job.counterPct, '%') }}</p>
    <template v-if="changes.length">
      <h2 class="mt-1 text-base">This machine</h2>
      <p class="text-sm text-soft" data-testid="this-machine">{{ changes.join(' · ') }}</p>
    </template>
  </section>
</template>
