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
const level = computed(() => Math.round(props.station.suspicionRatio * 42))
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
      y="-34"
      width="96"
      height="78"
      rx="5"
      class="fill-transparent group-focus-visible:stroke-hands"
      stroke-width="3"
    />
    <rect
      x="-15"
      y="-23"
      width="30"
      height="46"
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
      x="-13"
      :y="21 - level"
      width="26"
      :height="level"
      :class="state === 'leading' ? 'fill-stop' : 'fill-wait'"
    />
    <g v-if="state === 'confirmed'">
      <path d="M-9 0H9M0-9V9" stroke-width="3" class="stroke-go" />
      <text x="21" y="-10" class="fill-go text-[14px] font-bold">found</text>
    </g>
    <path v-if="state === 'cleared'" d="M-8 0-2 7 9-8" fill="none" stroke-width="3" class="stroke-go" />
    <text
      v-if="station.suspicionRatio >= 0.01 && state !== 'cleared' && state !== 'confirmed'"
      x="21"
      y="-10"
      class="font-mono text-[14px] font-bold"
      :class="state === 'leading' ? 'fill-stop' : 'fill-ink'"
    >
      {{ percent(station.suspicionRatio) }}
    </text>
    <text y="40" text-anchor="middle" class="fill-ink text-[14.5px]" :class="state === 'leading' ? 'font-bold' : ''">
      {{ station.name }}
    </text>
  </g>
</template>
