<script setup lang="ts">
import { withUnit } from '@/shared/format'
import type { Day } from './useDay'

defineProps<{
  /** The plan. */
  day: Day
}>()
const name = (date: string) =>
  new Date(`${date}T12:00:00`).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' })
const share = (work: number, open: number) => `${Math.min(100, open > 0 ? (100 * work) / open : 100)}%`
</script>

<template>
  <section class="panel p-3" aria-labelledby="load-title" data-testid="week-load">
    <h2 id="load-title" class="text-base">Work against hours</h2>
    <ul>
      <li
        v-for="d in day.load"
        :key="d.day"
        class="grid grid-cols-[6.5rem_minmax(0,1fr)_8.5rem] items-center gap-2 py-0.5"
      >
        <span>{{ name(d.day) }}</span>
        <span class="h-4 rounded border border-edge" aria-hidden="true"
          ><span class="block h-full rounded bg-hands" :style="{ width: share(d.workHours, d.openHours) }"
        /></span>
        <span class="text-right font-mono text-sm whitespace-nowrap"
          >{{ withUnit(d.workHours, 'h', 1) }} of {{ Math.round(d.openHours * 10) / 10 }}</span
        >
      </li>
    </ul>
  </section>
</template>
