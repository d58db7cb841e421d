<script setup lang="ts">
import { computed } from 'vue'
import { moment } from '@/shared/format'
import type { Sheets, UnitShape } from './useSheets'

const props = defineProps<{
  /** All sheets of the machine's life, oldest first. */
  sheets: Sheets['sheets']
  /** Units of the layout. */
  units: UnitShape[]
  /** The sheet shown. */
  shown: string
  /** The unit pointed at; empty for none. */
  lit: string
}>()
const emit = defineEmits<{ show: [sheet: string] }>()
const most = computed(() => Math.max(4, ...props.sheets.flatMap((s) => s.missing)))
const x = (i: number) => (props.sheets.length < 2 ? 50 : (i / (props.sheets.length - 1)) * 100)
const y = (missing: number) => 36 - (missing / most.value) * 32
const lines = computed(() =>
  props.units.map((unit, u) => ({
    unit,
    points: props.sheets.map((s, i) => `${x(i)},${y(s.missing[u] ?? 0)}`).join(' '),
  })),
)
</script>

<template>
  <section class="panel p-3" aria-labelledby="trend-title">
    <h2 id="trend-title" class="text-base">Missing per channel, sheet by sheet</h2>
    <svg viewBox="0 0 100 40" preserveAspectRatio="none" class="my-1 h-24 w-full" aria-hidden="true">
      <line x1="0" y1="36" x2="100" y2="36" stroke="var(--color-line)" vector-effect="non-scaling-stroke" />
      <polyline
        v-for="l in lines"
        :key="l.unit.id"
        :points="l.points"
        fill="none"
        :stroke="l.unit.color"
        :stroke-width="lit === l.unit.id ? 5 : 2.5"
        vector-effect="non-scaling-stroke"
        :stroke-dasharray="l.unit.faint ? '6 2' : undefined"
      />
    </svg>
    <ol class="flex flex-wrap gap-1.5">
      <li v-for="(s, i) in sheets" :key="s.id">
        <button
          type="button"
          class="press px-2.5"
          :class="s.id === shown ? 'press-main' : ''"
          :aria-current="s.id === shown ? 'true' : undefined"
          @click="emit('show', s.id)"
        >
          {{ i + 1 }} <span class="font-normal">{{ moment(s.at) }}</span>
          <span class="font-mono">{{ s.missingCount }}</span>
        </button>
      </li>
    </ol>
  </section>
</template>
