<script setup lang="ts">
import { computed } from 'vue'
import { countdown, moment } from '@/shared/format'
import { standingNow, type BoardJob } from '@/shared/state/useBoard'
import type { NextHands } from '@/features/today/useDay'
import StandingMark from '@/shared/ui/StandingMark.vue'

const props = defineProps<{
  /** Number of the place, from 1. */
  place: number
  /** The machine on it; null when free. */
  job: BoardJob | null
  /** The server's time, ms. */
  now: number
  /** Whether its page is open. */
  here: boolean
  /** Whose hands it gets next, and when, by the plan. */
  next?: NextHands
}>()
const standing = computed(() => (props.job ? standingNow(props.job, props.now) : ''))
const clock = computed(() => {
  const job = props.job
  if (!job?.clockEndsAt) return standing.value === 'hands' ? 'now' : ''
  const left = new Date(job.clockEndsAt).getTime() - props.now
  return standing.value === 'parts' || standing.value === 'customer'
    ? moment(job.clockEndsAt, new Date(props.now)).split(' ')[0]
    : countdown(left)
})
const hands = computed(() => {
  if (!props.next) return ''
  const at = new Date(props.next.from).getTime() - props.now
  const when = moment(props.next.from, new Date(props.now))
  // Another day is told by its name alone: there is room for no more.
  const isToday = new Date(props.next.from).toDateString() === new Date(props.now).toDateString()
  return `${props.next.name.split(' ')[0]} ${at < 60_000 ? 'now' : isToday ? when : when.split(' ')[0]}`
})
const headline = computed(() => (standing.value === 'rings' ? `up: ${props.job?.headline}` : props.job?.headline))
</script>

<template>
  <RouterLink
    v-if="job"
    :to="`/bench/${job.id}`"
    :data-standing="standing"
    :data-place="place"
    :aria-current="here ? 'page' : undefined"
    class="block h-full min-h-[4.4rem] rounded-t px-2.5 pt-1 leading-tight focus-visible:outline-mat-text"
    :class="[
      here ? 'bg-paper text-ink' : 'border border-b-0 border-mat-line bg-mat-raised',
      !here && (standing === 'time' || standing === 'rings') ? 'text-mat-wait' : '',
      standing === 'rings' ? 'rings' : '',
    ]"
  >
    <span class="flex justify-between gap-1 font-mono font-bold">
      <span>{{ job.tag }}</span>
      <span>{{ clock }}</span>
    </span>
    <span v-if="standing === 'rings'" role="alert" class="sr-only">{{ job.machine }}: {{ job.headline }} is up.</span>
    <span class="block truncate text-sm">{{ job.machine }}</span>
    <span class="flex items-center gap-1.5 text-sm">
      <StandingMark :standing="standing" /><span class="truncate">{{ headline }}</span>
    </span>
    <span v-if="hands" class="block truncate pb-1 text-sm" data-testid="next-hands"
      ><span class="sr-only">next hands: </span>{{ hands }}</span
    >
  </RouterLink>
  <RouterLink
    v-else
    to="/take-in"
    :data-place="place"
    class="block h-full min-h-[4.4rem] rounded-t border border-b-0 border-dashed border-mat-line px-2.5 pt-1.5 text-sm leading-tight focus-visible:outline-mat-text"
  >
    <span class="block font-mono">{{ place }}</span>
    <span>free<span class="sr-only">: take a machine in</span></span>
  </RouterLink>
</template>
