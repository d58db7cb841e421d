<script setup lang="ts">
import { percent } from '@/shared/format'
import type { Sheet, Sheets } from './useSheets'

defineProps<{
  /** The sheet. */
  sheet: Sheet
  /** What the threads' advice says now. */
  next: Sheets['next']
  /** The job. */
  job: number
  /** Whether this person may mend the reading. */
  may: boolean
}>()
const emit = defineEmits<{ putRight: [] }>()
const print = () => window.print()
</script>

<template>
  <section class="rounded border-2 border-ink bg-sheet p-4" aria-labelledby="reading-title" data-testid="reading">
    <p class="text-sm text-soft">Reading</p>
    <h2 id="reading-title" class="text-xl">{{ sheet.title }}</h2>
    <p v-for="s in sheet.says" :key="s">{{ s }}</p>
    <p v-if="sheet.unsureCount" class="mt-1 border-l-4 border-hands bg-hands-tint px-3 py-1.5">
      {{ sheet.unsureCount === 1 ? 'One nozzle is' : `${sheet.unsureCount} nozzles are` }} unsure: look yourself, and
      put it right where it is wrong.
    </p>
    <ul v-if="sheet.units.some((u) => u.odds.length > 1 && u.oddsRatio < 0.9)" class="mt-1 text-sm text-soft">
      <li v-for="u in sheet.units.filter((x) => x.odds.length > 1 && x.oddsRatio < 0.9)" :key="u.id">
        {{ u.id }} may be {{ u.odds.map((o) => `${o.pattern} ${percent(o.oddsRatio)}`).join(', ') }}
      </li>
    </ul>
    <div class="no-print mt-3 flex flex-wrap gap-2">
      <RouterLink
        v-for="(n, i) in next"
        :key="n.thread"
        class="press"
        :class="i === 0 ? 'press-main' : ''"
        :to="{ path: `/bench/${job}`, query: n.thread ? { thread: String(n.thread) } : {} }"
      >
        {{ n.does }}<template v-if="next.length > 1">, {{ (n.ink || n.complaint).toLowerCase() }}</template>
      </RouterLink>
      <button v-if="may" type="button" class="press" @click="emit('putRight')">Tap to correct</button>
      <button type="button" class="press" @click="print">Print</button>
    </div>
  </section>
</template>
