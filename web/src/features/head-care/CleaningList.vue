<script setup lang="ts">
import { moment, withUnit } from '@/shared/format'
import type { HeadCare } from './useHeadCare'

defineProps<{
  /** Head care of the job. */
  care: HeadCare
}>()
</script>

<template>
  <section class="panel p-3" aria-labelledby="cleanings-title">
    <h2 id="cleanings-title" class="text-base">All cleanings of this machine</h2>
    <p v-if="!care.cleanings.length" class="mt-1 text-soft">None on record.</p>
    <ul v-else>
      <li
        v-for="c in care.cleanings"
        :key="c.entry"
        class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5"
      >
        <span class="font-bold">{{ c.name }}</span>
        <span v-if="c.channels">{{ c.channels }}</span>
        <span class="text-soft">{{ moment(c.at) }}, {{ c.by }}</span>
        <span v-if="c.inkMl" class="font-mono">{{ withUnit(c.inkMl, 'ml', 1) }}</span>
        <span v-if="c.counterBefore !== null && c.counterAfter !== null" class="font-mono"
          >counter {{ Math.round(c.counterBefore) }} → {{ withUnit(c.counterAfter, '%', 1) }}</span
        >
        <span v-if="c.missingBefore !== null" class="font-mono"
          >{{ c.missingBefore }} → {{ c.missingAfter ?? '?' }} missing</span
        >
        <RouterLink v-if="c.job !== care.job" class="underline underline-offset-3" :to="`/bench/${c.job}`"
          >its visit</RouterLink
        >
      </li>
    </ul>
  </section>
</template>
