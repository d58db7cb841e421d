<script setup lang="ts">
import { computed } from 'vue'
import { counted, day, moment } from '@/shared/format'
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
const standings: Record<string, string> = {
  hands: 'needs hands',
  time: 'time works',
  parts: 'waits for parts',
  customer: 'waits for the customer',
  ready: 'ready',
  gone: 'gone',
}
const where = computed(() => {
  const slot = props.job.threads.find((t) => t.id === props.job.thread)?.slot ?? 0
  return slot > 0 ? `slot ${slot} ${props.job.slots.find((s) => s.panel === slot)?.ink.toLowerCase() ?? ''}` : ''
})
const late = computed(
  () => props.job.promise !== null && !props.job.closedHow && new Date(props.job.promise) < new Date(props.job.now),
)
</script>

<template>
  <header class="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1 lg:flex-nowrap">
    <span class="rounded bg-ink px-3 py-0.5 font-mono text-xl font-bold text-sheet">{{ job.tag }}</span>
    <h1 class="text-2xl lg:whitespace-nowrap">{{ job.machine }}</h1>
    <p class="min-w-0 flex-1 basis-60 truncate text-soft" :title="job.words">
      <RouterLink
        :to="`/records/${job.machineId}`"
        class="inline-flex min-h-11 items-center underline underline-offset-3"
        >{{ job.customer }}</RouterLink
      >
      · “{{ job.words }}”<template v-if="where"> · {{ where }}</template>
    </p>
    <ul class="flex flex-wrap items-center gap-1 text-sm lg:shrink-0 lg:flex-nowrap lg:justify-end">
      <li class="chip max-w-44 truncate" :title="job.waitsWhat">
        <StandingMark :standing="job.standing" />{{ job.waitsWhat || standings[job.standing] || job.standing }}
      </li>
      <li class="chip lg:max-2xl:hidden" :title="job.kind">{{ inks[job.ink] ?? job.ink }}</li>
      <li v-if="job.idleWeeks > 0" class="chip">idle {{ counted(job.idleWeeks, 'week') }}</li>
      <li v-if="job.moved" class="chip">moved lately</li>
      <li v-if="job.warrantyEnd && job.inWarranty" class="chip border-wait bg-wait-tint">
        warranty to {{ day(job.warrantyEnd) }}
      </li>
      <li v-if="job.promise" class="chip" :class="late ? 'border-stop bg-stop-tint' : ''">
        {{ late ? 'late, due' : 'due' }} <span class="font-mono font-bold">{{ moment(job.promise) }}</span>
      </li>
      <li><slot /></li>
    </ul>
  </header>
  <p v-if="job.bookNote || job.measured" class="mb-2 border-l-4 border-wait bg-wait-tint px-3 py-1.5">
    {{ job.bookNote }}
    <RouterLink v-if="job.measured" class="underline underline-offset-3" :to="`/models/${job.modelId}#measured`">{{
      job.measured === 1
        ? 'One measurement of this visit would sharpen its figures'
        : `${job.measured} measurements of this visit would sharpen its figures`
    }}</RouterLink>
  </p>
</template>
