<script setup lang="ts">
import { computed } from 'vue'
import { runs } from './tapping'
import type { UnitRead, UnitShape } from './useSheets'

const props = defineProps<{
  /** The unit as read. */
  unit: UnitRead
  /** Its ink and shape. */
  shape: UnitShape
  /** Whether it is pointed at here or in the picture. */
  lit: boolean
}>()
const emit = defineEmits<{ light: [on: boolean] }>()
const width = computed(() => props.unit.nozzles.length * 4)
const bars = computed(() => [...props.unit.nozzles].map((state, n) => ({ state, n })).filter((b) => b.state !== 'x'))
const missing = computed(() => [...props.unit.nozzles].flatMap((state, n) => (state === 'x' ? [n] : [])))
const unsure = computed(() => new Set(props.unit.unsure))
const tones: Record<string, string> = { go: 'text-go', wait: 'text-wait', stop: 'text-stop' }
const figures = computed(() =>
  props.unit.missingBefore !== null && props.unit.missingBefore !== props.unit.missingCount
    ? `${props.unit.missingBefore} → ${props.unit.missingCount}`
    : `${props.unit.missingCount}`,
)
const said = computed(() =>
  missing.value.length === 0
    ? 'no nozzle missing'
    : `missing: ${runs(missing.value.slice(0, 60))}${missing.value.length > 60 ? ' …' : ''}`,
)
const rank = (state: string) => (state === 'w' || state === 'b' ? 16 : 4)
</script>

<template>
  <li
    class="grid grid-cols-[3.4rem_minmax(0,1fr)] items-center gap-x-2 border-b border-line px-2 py-1.5 sm:grid-cols-[3.4rem_minmax(0,1fr)_11rem]"
    :class="lit ? 'bg-hands-tint' : ''"
    :data-unit="unit.id"
    :data-missing="unit.missingCount"
    @pointerenter="emit('light', true)"
    @pointerleave="emit('light', false)"
  >
    <span class="font-bold">{{ unit.id }}</span>
    <svg
      :viewBox="`0 0 ${width} 40`"
      preserveAspectRatio="none"
      class="h-10 w-full"
      role="img"
      :aria-label="`${unit.id}, ${shape.ink}: ${said}`"
    >
      <g :fill="shape.color" stroke="var(--color-edge)" :stroke-width="shape.faint ? 0.35 : 0">
        <rect
          v-for="b in bars"
          :key="b.n"
          :x="b.n * 4 + 0.5"
          :y="8 + rank(b.state) / 2 - 2"
          width="3"
          :height="28 - rank(b.state)"
        />
      </g>
      <g fill="var(--color-stop)">
        <rect v-for="n in missing" :key="n" :x="n * 4" y="19" width="4" height="4" />
        <circle v-for="n in unit.newlyMissing" :key="`n${n}`" :cx="n * 4 + 2" cy="37" r="2.6" />
      </g>
      <g fill="none" stroke="var(--color-wait)" stroke-width="1.4">
        <path
          v-for="b in bars.filter((x) => x.state === 'd' || x.state === 'b')"
          :key="`d${b.n}`"
          :d="`M${b.n * 4} 33 l2 3 l2 -3`"
        />
        <rect v-for="n in unsure" :key="`u${n}`" :x="n * 4" y="6" width="4" height="28" stroke-dasharray="2 1.5" />
      </g>
      <path v-for="n in unit.cameBack" :key="`b${n}`" :d="`M${n * 4 - 1} 6 l3 -5 l3 5 z`" fill="var(--color-go)" />
    </svg>
    <p class="col-start-2 text-right leading-tight sm:col-start-3" :class="tones[unit.tone]">
      <span class="font-mono text-lg">{{ figures }}</span>
      <span class="block text-sm font-bold">{{ unit.says }}</span>
      <span v-if="unit.overlapRatio !== null && unit.missingCount > 3" class="block text-xs text-soft">
        overlap {{ Math.round(unit.overlapRatio * 100) }} %, chance {{ Math.round((unit.chanceRatio ?? 0) * 100) }} %
      </span>
    </p>
  </li>
</template>
