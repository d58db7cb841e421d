<script setup lang="ts">
import { computed } from 'vue'
import type { Drawing } from './useOpening'

const props = defineProps<{
  /** The stack to draw. */
  drawing: Drawing
}>()
const gap = 14
const layers = computed(() => {
  let y = 8
  return props.drawing.stack.map((l, i) => {
    const high = Math.max(18, l.mm * 2)
    const at = { ...l, number: i + 1, y, high }
    y += high + gap
    return at
  })
})
const tall = computed(() => (layers.value.at(-1)?.y ?? 0) + (layers.value.at(-1)?.high ?? 0) + 22)
</script>

<template>
  <figure class="my-2 max-w-xl" data-testid="stack-drawing">
    <figcaption class="text-sm text-soft">Stack of the {{ drawing.model }}, the top one first</figcaption>
    <div class="grid grid-cols-[minmax(6rem,9rem)_minmax(0,1fr)] gap-x-3">
      <svg :viewBox="`0 0 120 ${tall}`" class="w-full" aria-hidden="true">
        <g v-for="l in layers" :key="l.number">
          <polygon
            :points="`8,${l.y + 8} 22,${l.y} 112,${l.y} 98,${l.y + 8}`"
            class="fill-sheet stroke-ink"
            stroke-width="1.5"
          />
          <rect
            x="8"
            :y="l.y + 8"
            width="90"
            :height="l.high - 8"
            class="stroke-ink"
            :class="l.kind === 'spacer' ? 'fill-sheet' : l.kind === 'felt' ? 'fill-line' : 'fill-rail'"
            stroke-width="1.5"
            :stroke-dasharray="l.kind === 'spacer' ? '4 3' : undefined"
          />
          <polygon
            :points="`98,${l.y + 8} 112,${l.y} 112,${l.y + l.high - 8} 98,${l.y + l.high}`"
            class="fill-rail stroke-ink"
            stroke-width="1.5"
          />
          <text x="53" :y="l.y + 8 + (l.high - 8) / 2 + 4" text-anchor="middle" class="fill-ink font-mono text-[12px]">
            {{ l.number }}
          </text>
        </g>
        <path :d="`M4 ${tall - 10} h112`" class="stroke-ink" stroke-width="2" />
      </svg>
      <ol class="list-decimal self-center pl-5">
        <li v-for="l in layers" :key="l.number" class="py-0.5">
          <b>{{ l.name }}</b>, {{ l.mm }} mm<template v-if="l.kind === 'spacer'"> (spacer)</template
          ><template v-if="l.way">; {{ l.way }}</template>
        </li>
      </ol>
    </div>
  </figure>
</template>
