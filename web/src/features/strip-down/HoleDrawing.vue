<script setup lang="ts">
import { computed } from 'vue'
import type { Drawing } from './useOpening'

const props = defineProps<{
  /** The hole to draw. */
  drawing: Drawing
  /** Paper as wide as this, mm. */
  wide?: number
  /** Paper as high as this, mm. */
  high?: number
}>()
const hole = computed(() => props.drawing.hole!)
const w = computed(() => props.wide ?? 170)
const h = computed(() => props.high ?? 120)
const margin = 12
const floor = computed(() => h.value - margin)
const wall = computed(() => (hole.value.edge === 'right' ? w.value - margin : margin))
const x = computed(() => (hole.value.edge === 'right' ? wall.value - hole.value.inMm : wall.value + hole.value.inMm))
const y = computed(() => floor.value - hole.value.upMm)
const r = computed(() => hole.value.diameterMm / 2)
</script>

<template>
  <svg
    :viewBox="`0 0 ${w} ${h}`"
    role="img"
    :aria-label="`Hole of ${hole.diameterMm} mm, its middle ${hole.upMm} mm over the lower edge and ${hole.inMm} mm from the ${hole.edge} edge`"
    data-testid="hole-drawing"
  >
    <path
      :d="`M${hole.edge === 'right' ? 4 : wall} ${floor} H${hole.edge === 'right' ? wall : w - 4}`"
      class="stroke-ink"
      stroke-width="0.6"
    />
    <path :d="`M${wall} ${floor} V4`" class="stroke-ink" stroke-width="0.6" />
    <path
      :d="`M${x} ${floor} V${y + r + 1} M${wall} ${y} H${hole.edge === 'right' ? x + r + 1 : x - r - 1}`"
      class="stroke-soft"
      stroke-width="0.3"
      stroke-dasharray="2 1.5"
    />
    <circle :cx="x" :cy="y" :r="r" class="fill-none stroke-ink" stroke-width="0.5" />
    <path
      :d="`M${x - r - 3} ${y} h${2 * r + 6} M${x} ${y - r - 3} v${2 * r + 6}`"
      class="stroke-ink"
      stroke-width="0.3"
    />
    <text
      :x="x + (hole.edge === 'right' ? -2 : 2)"
      :y="(y + floor) / 2"
      :text-anchor="hole.edge === 'right' ? 'end' : 'start'"
      class="fill-ink font-mono text-[5px]"
    >
      {{ hole.upMm }} mm
    </text>
    <text :x="(x + wall) / 2" :y="y - r - 5" text-anchor="middle" class="fill-ink font-mono text-[5px]">
      {{ hole.inMm }} mm
    </text>
    <text :x="x" :y="y - r - 11" text-anchor="middle" class="fill-ink text-[5px]">⌀ {{ hole.diameterMm }} mm</text>
    <text :x="w / 2" :y="floor + 7" text-anchor="middle" class="fill-ink text-[5px]">lower edge that stays</text>
  </svg>
</template>
