<script setup lang="ts">
import { computed } from 'vue'
import { percent } from '@/shared/format'
import type { Api } from '@/shared/api/client'

const props = defineProps<{
  /** The station. */
  station: Api<'StationView'>
  /** Centre, px in the drawing. */
  x: number
  /** Centre, px in the drawing. */
  y: number
}>()
const emit = defineEmits<{ press: [] }>()
const state = computed(() => {
  if (props.station.confirmed) return 'confirmed'
  return props.station.leading ? 'leading' : props.station.cleared ? 'cleared' : 'open'
})
const level = computed(() => Math.round(props.station.suspicionRatio * 32))
const label = computed(() => {
  const share = props.station.causes ? `suspicion ${percent(props.station.suspicionRatio)}` : 'nothing in the book'
  return `${props.station.name}: ${['cleared', 'confirmed'].includes(state.value) ? state.value : share}${props.station.leading ? ', leading' : ''}`
})
</script>

<template>
  <g
    role="button"
    tabindex="0"
    class="group cursor-pointer outline-none"
    :aria-label="label"
    :data-station="station.id"
    :data-state="state"
    :transform="`translate(${x} ${y})`"
    @click="emit('press')"
    @keydown.enter.prevent="emit('press')"
    @keydown.space.prevent="emit('press')"
  >
    <rect
      x="-48"
      y="-24"
      width="96"
      height="61"
      rx="5"
      class="fill-transparent group-focus-visible:stroke-hands"
      stroke-width="3"
    />
    <rect
      x="-14"
      y="-20"
      width="28"
      height="36"
      rx="4"
      :class="[
        state === 'leading' ? 'stroke-stop' : state === 'cleared' || state === 'confirmed' ? 'stroke-go' : 'stroke-ink',
        state === 'confirmed' ? 'fill-go-tint' : 'fill-sheet',
      ]"
      :stroke-width="state === 'leading' || state === 'confirmed' ? 3.5 : 1.6"
      :stroke-dasharray="state === 'cleared' ? '4 3' : undefined"
    />
    <rect
      v-if="state !== 'cleared' && state !== 'confirmed'"
      x="-12"
      :y="14 - level"
      width="24"
      :height="level"
      :class="state === 'leading' ? 'fill-stop' : 'fill-wait'"
    />
    <g v-if="state === 'confirmed'">
      <path d="M-8-2H8M0-10V6" stroke-width="3" class="stroke-go" />
      <text x="21" y="-10" class="fill-go text-[14px] font-bold">found</text>
    </g>
    <path v-if="state === 'cleared'" d="M-7-2-2 4 8-8" fill="none" stroke-width="3" class="stroke-go" />
    <text
      v-if="station.suspicionRatio >= 0.01 && state !== 'cleared' && state !== 'confirmed'"
      x="21"
      y="-10"
      class="font-mono text-[14px] font-bold"
      :class="state === 'leading' ? 'fill-stop' : 'fill-ink'"
    >
      {{ percent(station.suspicionRatio) }}
    </text>
    <text y="31" text-anchor="middle" class="fill-ink text-[14px]" :class="state === 'leading' ? 'font-bold' : ''">
      {{ station.name }}
    </text>
  </g>
</template>
