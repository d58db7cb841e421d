<script setup lang="ts">
import { computed, useId } from 'vue'
import { withUnit } from '@/shared/format'
import type { SlotInk } from './useInk'

const props = defineProps<{
  /** The slot. */
  of: SlotInk
  /** Whether it is the one that is shown in full. */
  chosen: boolean
}>()
defineEmits<{ choose: [] }>()
const hatch = useId()
const height = 132
const chip = computed(() => Math.max(0, Math.min(100, props.of.chip ?? 0)))
const share = (ml: number) => Math.max(0, Math.min(1, ml / props.of.fillMl))
const level = computed(() => (props.of.inkMl ? share(props.of.inkMl.best) * height : 0))
const band = computed(() => {
  const ink = props.of.inkMl
  return ink ? { from: share(ink.low) * height, to: share(ink.high) * height } : null
})
const dry = computed(() => {
  const at = props.of.dryAt?.best
  return at !== undefined && at > 0 && at <= 100 ? (at / 100) * height : null
})
const word = computed(
  () => ({ air: 'stop: air next', now: 'due now', soon: 'soon', unknown: 'not known', fine: 'fine' })[props.of.urgency],
)
const tone = computed(() =>
  props.of.urgency === 'air' ? 'text-stop' : props.of.urgency === 'now' ? 'text-wait' : 'text-ink',
)
const said = computed(() => {
  const s = props.of
  const parts = [`Slot ${s.panel}, ${s.ink}: ${word.value}`]
  if (s.hasCount) parts.push(s.chip === null ? 'chip not read' : `chip ${Math.round(s.chip)} %`)
  if (s.inkMl)
    parts.push(`${s.inkMl.best.toFixed(1)} ml in it, ${s.inkMl.low.toFixed(1)} to ${s.inkMl.high.toFixed(1)}`)
  return parts.join(', ')
})
</script>

<template>
  <button
    type="button"
    class="flex min-w-0 flex-col items-center rounded border-2 px-1 py-1.5"
    :class="chosen ? 'border-ink' : 'border-transparent'"
    :aria-pressed="chosen"
    :aria-label="said"
    :data-slot="of.panel"
    :data-urgency="of.urgency"
    @click="$emit('choose')"
  >
    <svg :viewBox="`0 0 92 ${height + 4}`" class="h-36 w-full max-w-28" aria-hidden="true">
      <defs>
        <pattern :id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" class="fill-rail" />
          <line x1="0" y1="0" x2="0" y2="6" class="stroke-edge" stroke-width="2.4" />
        </pattern>
      </defs>
      <g v-if="of.hasCount">
        <rect x="2" y="2" width="32" :height="height" rx="3" class="fill-sheet stroke-edge" />
        <rect
          v-if="of.chip !== null"
          x="2"
          :y="2 + height * (1 - chip / 100)"
          width="32"
          :height="(height * chip) / 100"
          :fill="`url(#${hatch})`"
        />
        <text
          x="18"
          :y="Math.max(14, height * (1 - chip / 100) - 2)"
          text-anchor="middle"
          class="fill-ink stroke-sheet font-mono text-[13px]"
          stroke-width="4"
          paint-order="stroke"
        >
          {{ of.chip === null ? '?' : Math.round(of.chip) }}
        </text>
        <line
          v-if="dry !== null"
          x1="0"
          x2="37"
          :y1="2 + height - dry"
          :y2="2 + height - dry"
          class="stroke-stop"
          stroke-width="2.5"
        />
      </g>
      <rect x="40" y="2" width="48" :height="height" rx="3" class="fill-sheet stroke-ink" stroke-width="1.6" />
      <rect x="41" :y="2 + height - level" width="46" :height="level" :fill="of.colour" />
      <g v-if="band">
        <line
          x1="84"
          x2="84"
          :y1="2 + height - band.to"
          :y2="2 + height - band.from"
          class="stroke-sheet"
          stroke-width="4"
        />
        <line
          x1="84"
          x2="84"
          :y1="2 + height - band.to"
          :y2="2 + height - band.from"
          class="stroke-ink"
          stroke-width="2"
        />
      </g>
      <text
        x="62"
        :y="Math.min(height - 4, Math.max(16, height - level - 4))"
        text-anchor="middle"
        class="fill-ink stroke-sheet font-mono text-[13px] font-bold"
        stroke-width="4"
        paint-order="stroke"
      >
        {{ of.inkMl ? of.inkMl.best.toFixed(of.fillMl < 40 ? 1 : 0) : '?' }}
      </text>
    </svg>
    <span class="mt-0.5 flex max-w-full items-center gap-1 font-bold">
      <span class="font-mono">{{ of.panel }}</span><span class="truncate">{{ of.ink }}</span>
    </span>
    <span class="text-sm font-bold" :class="tone">{{ word }}</span>
    <span class="text-sm">{{
      of.addMl !== null && of.isFilled ? `add ${withUnit(of.addMl, 'ml')}` : of.typeName
    }}</span>
    <span class="text-xs text-soft">{{
      dry === null
        ? of.hasCount && of.inkMl
          ? 'ink outlasts chip'
          : '\u00a0'
        : `dry at chip ${Math.round(of.dryAt!.best)} %`
    }}</span>
  </button>
</template>
