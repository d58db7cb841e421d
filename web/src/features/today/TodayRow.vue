<script setup lang="ts">
import { computed } from 'vue'
import { countdown, moment } from '@/shared/format'
import { standingNow, type BoardJob } from '@/shared/state/useBoard'
import StandingMark from '@/shared/ui/StandingMark.vue'

const props = defineProps<{
  /** The machine. */
  job: BoardJob
  /** The server's time, ms. */
  now: number
}>()
const standing = computed(() => standingNow(props.job, props.now))
const clock = computed(() => {
  const ends = props.job.clockEndsAt
  if (!ends) return ''
  return standing.value === 'parts' || standing.value === 'customer'
    ? `until ${moment(ends, new Date(props.now))}`
    : countdown(new Date(ends).getTime() - props.now)
})
const late = computed(() => props.job.promiseAt !== null && new Date(props.job.promiseAt).getTime() < props.now)
</script>

<template>
  <li>
    <RouterLink
      :to="`/bench/${job.id}`"
      class="grid min-h-14 grid-cols-[auto_1fr_auto] items-center gap-x-3 py-1 hover:bg-paper lg:grid-cols-[auto_13rem_1fr_9rem_11rem]"
    >
      <span class="justify-self-start rounded bg-ink px-2 font-mono text-lg font-bold text-sheet">{{ job.tag }}</span>
      <span class="min-w-0">
        <strong class="block truncate">{{ job.machine }}</strong>
        <span class="block truncate text-sm text-soft">{{ job.customer }}</span>
      </span>
      <span class="col-span-3 flex min-w-0 items-center gap-2 lg:col-span-1">
        <StandingMark :standing="standing" /><span class="truncate">{{ job.headline }}</span>
      </span>
      <span class="font-mono font-bold" :class="standing === 'rings' ? 'rings text-stop' : 'text-wait'">{{
        clock
      }}</span>
      <span class="text-sm" :class="late ? 'font-bold text-stop' : 'text-soft'">
        <template v-if="job.promiseAt"
          >{{ late ? 'late, due' : 'due' }} {{ moment(job.promiseAt, new Date(now)) }}</template
        >
        <template v-else>no promise</template>
      </span>
    </RouterLink>
  </li>
</template>
