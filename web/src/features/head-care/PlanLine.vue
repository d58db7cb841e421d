<script setup lang="ts">
import { computed } from 'vue'
import { wait, withUnit } from '@/shared/format'
import type { HeadCare } from './useHeadCare'
import { laidOut } from './planLine'

const props = defineProps<{
  /** Head care of the job. */
  care: HeadCare
}>()
const missing = computed(() => props.care.channels.reduce((sum, c) => sum + c.missing, 0))
const line = computed(() => laidOut(props.care.steps, missing.value))
const counters = computed(() =>
  props.care.counterPct === null ? [] : [props.care.counterPct, ...props.care.steps.map((s) => s.counterPct ?? 0)],
)
const counterY = (pct: number) => 30 - (Math.min(pct, 105) / 105) * 28
</script>

<template>
  <figure class="m-0">
    <figcaption class="text-sm text-soft">
      Missing nozzles, if every step is needed: most likely, and 9 times in 10
    </figcaption>
    <div class="relative mt-1 h-32 pl-7">
      <svg viewBox="0 0 100 100" preserveAspectRatio="none" class="h-full w-full" aria-hidden="true">
        <line x1="0" y1="96" x2="100" y2="96" stroke="var(--color-line)" vector-effect="non-scaling-stroke" />
        <line x1="0" y1="4" x2="100" y2="4" stroke="var(--color-line)" vector-effect="non-scaling-stroke" />
        <polygon :points="line.band" fill="var(--color-line)" />
        <polyline
          :points="line.best"
          fill="none"
          stroke="var(--color-ink)"
          stroke-width="3"
          vector-effect="non-scaling-stroke"
        />
      </svg>
      <span class="absolute top-0 left-0 font-mono text-sm">{{ missing }}</span>
      <span class="absolute bottom-0 left-0 font-mono text-sm">0</span>
    </div>
    <ol class="mt-1 flex flex-col gap-1 sm:flex-row sm:gap-0 sm:pl-7" aria-label="Steps of the plan">
      <li
        v-for="(s, i) in care.steps"
        :key="i"
        class="min-w-0 px-0.5 sm:w-(--step)"
        :style="{ '--step': `${line.widths[i]}%` }"
      >
        <span class="block rounded bg-hands px-1.5 py-1 text-sm leading-tight text-sheet" :title="s.name">{{
          s.name
        }}</span>
        <span
          v-if="s.waitMin"
          class="mt-0.5 block rounded border border-dashed border-wait bg-wait-tint px-1.5 text-sm leading-tight text-wait"
        >
          then {{ wait(s.waitMin) }}<template v-if="s.waitMostMin">, {{ wait(s.waitMostMin) }} at most</template>
        </span>
        <span class="block text-sm text-soft"
          ><span class="font-mono">{{ Math.round(s.complete * 100) }} %</span> complete</span
        >
      </li>
    </ol>
    <template v-if="counters.length">
      <p class="mt-2 text-sm text-soft">
        Waste counter <span class="font-mono text-ink">{{ withUnit(counters[0]!, '%') }}</span> →
        <span class="font-mono text-ink">{{ withUnit(counters[counters.length - 1]!, '%', 1) }}</span> if every step is
        needed; limit 100
      </p>
      <svg viewBox="0 0 100 32" preserveAspectRatio="none" class="ml-7 h-10 w-[calc(100%-1.75rem)]" aria-hidden="true">
        <line
          x1="0"
          :y1="counterY(100)"
          x2="100"
          :y2="counterY(100)"
          stroke="var(--color-stop)"
          stroke-dasharray="4 3"
          vector-effect="non-scaling-stroke"
        />
        <polyline
          :points="counters.map((c, i) => `${line.edges[i]},${counterY(c)}`).join(' ')"
          fill="none"
          stroke="var(--color-ink)"
          stroke-width="2.5"
          vector-effect="non-scaling-stroke"
        />
      </svg>
    </template>
    <p v-else class="mt-2 text-sm text-soft">The waste counter was not read on this visit.</p>
  </figure>
</template>
