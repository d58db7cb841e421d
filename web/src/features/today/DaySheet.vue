<script setup lang="ts">
import { computed } from 'vue'
import { moment, withUnit } from '@/shared/format'
import type { Day } from './useDay'

const props = defineProps<{
  /** The plan. */
  day: Day
  /** The server's time, ms. */
  now: number
}>()
const date = (iso: string) => new Date(iso).toDateString()
/** The open day on which the plan begins: all that hands do on it, in order, whoever's they are. */
const rows = computed(() => {
  const first = props.day.open[0]
  if (!first) return []
  const names = new Map(props.day.hands.map((h) => [h.id, h.name]))
  const pieces = props.day.jobs.flatMap((j) =>
    j.pieces.map((p) => ({ ...p, who: names.get(p.hand) ?? '', what: `${j.tag}: ${p.says}`, on: j.machine })),
  )
  const due = props.day.reminders.map((r) => ({
    ...r,
    from: r.from ?? '',
    who: r.name,
    what: r.says,
    on: r.about,
    latest: null,
  }))
  return [...pieces, ...due]
    .filter((r) => r.who && r.from && date(r.from) === date(first.from))
    .sort((a, b) => new Date(a.from).getTime() - new Date(b.from).getTime())
})
</script>

<template>
  <section v-if="rows.length" class="hidden print:block" aria-labelledby="day-sheet" data-testid="day-sheet">
    <h2 id="day-sheet" class="text-base">In order, as planned at {{ moment(day.now, new Date(now)) }}</h2>
    <table class="w-full border-collapse text-sm">
      <thead>
        <tr class="border-b border-ink text-left">
          <th class="py-1">From</th>
          <th>Who</th>
          <th>What</th>
          <th>On</th>
          <th class="text-right">About</th>
          <th class="pl-3">Done at</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.from + r.what" class="break-inside-avoid border-b border-line align-baseline">
          <td class="py-1 pr-2 font-mono whitespace-nowrap">{{ moment(r.from, new Date(now)) }}</td>
          <td class="pr-2">{{ r.who.split(' ')[0] }}</td>
          <td class="pr-2">{{ r.what }}</td>
          <td class="pr-2">{{ r.on }}</td>
          <td class="text-right font-mono whitespace-nowrap">
            {{ withUnit(Math.max(1, r.minutes), 'min') }}
          </td>
          <td class="w-24 pl-3">
            <span v-if="r.latest" class="font-bold">begin by {{ moment(r.latest, new Date(now)) }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
