<script setup lang="ts">
import { computed } from 'vue'
import type { Fasteners } from './useOpening'

const props = defineProps<{
  /** The group. */
  group: Fasteners
}>()
const LONG = 10
const MOST = 12
const shank = computed(() => (props.group.lengthMm >= LONG ? 14 : props.group.lengthMm > 0 ? 7 : 9))
const pieces = computed(() =>
  Array.from({ length: Math.min(props.group.count, MOST) }, (_, i) => {
    const { onTrayCount, lostCount, count, emptyCount } = props.group
    if (i < onTrayCount) return props.group.loosenOnly ? 'loose' : 'out'
    if (i < onTrayCount + lostCount || i >= count - emptyCount) return 'lost'
    return 'in'
  }),
)
const says = computed(() => {
  const g = props.group
  const missing = g.lostCount + g.emptyCount
  return `${g.onTrayCount} of ${g.count} ${g.loosenOnly ? 'loosened, in the machine' : 'on the tray'}${missing ? `, ${missing} missing` : ''}`
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${pieces.length * 20} 28`"
    :width="pieces.length * 20"
    height="28"
    role="img"
    :aria-label="says"
    class="max-w-full"
  >
    <g
      v-for="(piece, i) in pieces"
      :key="i"
      :transform="`translate(${i * 20 + 9} ${piece === 'loose' ? 6 : 8})`"
      :data-piece="piece"
      stroke="currentColor"
      stroke-width="1.4"
      :fill="piece === 'out' ? 'var(--color-edge)' : 'none'"
      :stroke-dasharray="piece === 'lost' ? '2 2' : undefined"
    >
      <path v-if="group.kind === 'clip'" d="M-5 -4 h10 v9 h-3 v-5 h-4 v5 h-3 z" />
      <template v-else>
        <path v-if="group.kind === 'nut'" d="M0 -6 L5.5 -3 V3 L0 6 L-5.5 3 V-3 Z" />
        <circle v-else r="5.5" />
        <path v-if="piece === 'loose'" d="M-7 10 h3 M4 10 h3" />
        <rect v-if="group.collared" x="-8" y="5.5" width="16" height="2" fill="currentColor" />
        <rect
          v-if="group.kind === 'screw'"
          x="-2"
          :y="group.collared ? 7.5 : 5.5"
          width="4"
          :height="shank - (group.collared ? 2 : 0)"
        />
      </template>
    </g>
  </svg>
</template>
