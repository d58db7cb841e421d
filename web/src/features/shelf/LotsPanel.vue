<script setup lang="ts">
import { percent } from '@/shared/format'
import type { Shelf } from './useShelf'

defineProps<{
  /** The shelf. */
  shelf: Shelf
}>()
const words: Record<string, string> = {
  bad: 'Bad: fit no more of it',
  watched: 'Failed before; too few to call it bad',
  open: 'Too few to say',
  good: 'Good',
}
const across = (share: number) => `${(share * 100).toFixed(2)}%`
</script>

<template>
  <section class="panel p-3" aria-labelledby="lots-title" data-testid="lots">
    <h2 id="lots-title" class="text-base">Lots, the worst first</h2>
    <p v-if="!shelf.lots.length" class="text-soft">No cartridge was fitted with its lot told.</p>
    <ul v-else>
      <li v-for="l in shelf.lots" :key="`${l.lot} ${l.what}`" class="border-t border-line py-1.5">
        <div class="flex flex-wrap items-baseline gap-x-3">
          <b class="font-mono">{{ l.lot }}</b>
          <span
            >{{ l.what }}<template v-if="l.seller">, {{ l.seller }}</template></span
          >
          <span class="ml-auto" :class="l.verdict === 'bad' ? 'font-bold text-stop' : ''">{{ words[l.verdict] }}</span>
        </div>
        <div class="mt-1 flex items-center gap-3">
          <span class="relative h-3 flex-1 border border-edge" aria-hidden="true">
            <span
              class="absolute inset-y-0 bg-line"
              :style="{ left: across(l.low), width: across(Math.max(0.004, l.high - l.low)) }"
            />
            <span class="absolute inset-y-0 w-1 bg-ink" :style="{ left: across(Math.min(0.99, l.rate)) }" />
          </span>
          <span class="w-64 text-sm"
            >{{ l.failed }} of {{ l.fitted }} failed: between {{ percent(l.low) }} and {{ percent(l.high) }} do</span
          >
        </div>
      </li>
    </ul>
  </section>
</template>
