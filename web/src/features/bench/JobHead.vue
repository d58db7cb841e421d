<script setup lang="ts">
import { computed } from 'vue'
import { day, moment } from '@/shared/format'
import StandingMark from '@/shared/ui/StandingMark.vue'
import type { Bench } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
}>()
const inks: Record<string, string> = {
  maker: 'maker’s ink',
  compatible: 'compatible ink',
  refilled: 'refilled',
  addon: 'add-on supply',
  unknown: 'ink not known',
}
const late = computed(
  () => props.job.promise !== null && !props.job.closedHow && new Date(props.job.promise) < new Date(props.job.now),
)
</script>

<template>
  <header class="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1.5">
    <span class="rounded bg-ink px-3 py-0.5 font-mono text-xl font-bold text-sheet">{{ job.tag }}</span>
    <h1 class="text-2xl">{{ job.machine }}</h1>
    <p class="min-w-0 flex-1 basis-60 text-soft">
      <RouterLink :to="`/records/${job.machineId}`" class="underline underline-offset-3">{{ job.customer }}</RouterLink>
      · “{{ job.words }}”
    </p>
    <ul class="flex flex-wrap items-center gap-1.5">
      <li class="chip"><StandingMark :standing="job.standing" />{{ job.waitsWhat || job.standing }}</li>
      <li class="chip">{{ job.kind }}</li>
      <li class="chip">{{ inks[job.ink] ?? job.ink }}</li>
      <li v-if="job.idleWeeks > 0" class="chip">idle {{ job.idleWeeks }} weeks</li>
      <li v-if="job.moved" class="chip">moved lately</li>
      <li v-if="job.warrantyEnd" class="chip" :class="job.inWarranty ? 'border-wait bg-wait-tint' : ''">
        {{ job.inWarranty ? 'warranty to' : 'warranty ended' }} {{ day(job.warrantyEnd) }}
      </li>
      <li v-if="job.promise" class="chip" :class="late ? 'border-stop bg-stop-tint' : ''">
        {{ late ? 'late, due' : 'due' }} <span class="font-mono font-bold">{{ moment(job.promise) }}</span>
      </li>
      <li><slot /></li>
    </ul>
    <p v-if="job.bookNote" class="basis-full border-l-4 border-wait bg-wait-tint px-3 py-1.5">{{ job.bookNote }}</p>
  </header>
</template>
