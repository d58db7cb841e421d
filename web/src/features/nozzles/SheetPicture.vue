<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Sheet } from './useSheets'

const props = defineProps<{
  /** The job, for the picture's address. */
  job: number
  /** The sheet. */
  sheet: Sheet
  /** The unit that is pointed at; empty for none. */
  lit: string
}>()
const emit = defineEmits<{ light: [unit: string] }>()
const lifted = ref(false)
const marked = ref(true)
const frame = ref<HTMLElement | null>(null)
const { width: room } = useElementSize(frame)
const size = ref({ width: 0, height: 0 })
const zoom = ref(1)
const at = ref({ x: 0, y: 0 })
let held: { x: number; y: number } | null = null
watch(
  () => props.sheet.id,
  () => reset(),
)

/** The pattern's place in the picture, with some paper around it; it fills the frame until it is zoomed. */
const pattern = computed(() => {
  const xs = props.sheet.dashes.filter((_, i) => i % 2 === 0)
  const ys = props.sheet.dashes.filter((_, i) => i % 2 === 1)
  if (xs.length === 0) return { x: 0, y: 0, w: size.value.width || 1, h: size.value.height || 1 }
  const pad = (Math.max(...xs) - Math.min(...xs)) * 0.06
  return {
    x: Math.min(...xs) - pad,
    y: Math.min(...ys) - pad,
    w: Math.max(...xs) - Math.min(...xs) + 2 * pad,
    h: Math.max(...ys) - Math.min(...ys) + 2 * pad,
  }
})
const whole = ref(false)
const shown = computed(() =>
  whole.value ? { x: 0, y: 0, w: size.value.width || 1, h: size.value.height || 1 } : pattern.value,
)
const fit = computed(() => room.value / shown.value.w)
const view = computed(
  () =>
    `translate(${at.value.x}px, ${at.value.y}px) scale(${zoom.value * fit.value}) translate(${-shown.value.x}px, ${-shown.value.y}px)`,
)

/** Every dash that is not good, with its ends in the picture; and the outline of every unit. */
const boxes = computed(() => {
  const found: {
    key: string
    unit: string
    state: string
    x: number
    y: number
    w: number
    h: number
    turn: number
  }[] = []
  let n = 0
  props.sheet.units.forEach((unit) => {
    ;[...unit.nozzles].forEach((state, nozzle) => {
      const [x1, y1, x2, y2] = props.sheet.dashes.slice(n * 4, n * 4 + 4) as [number, number, number, number]
      n++
      if (state === '.' && !unit.unsure.includes(nozzle)) return
      const w = Math.hypot(x2 - x1, y2 - y1)
      found.push({
        key: `${unit.id}${nozzle}`,
        unit: unit.id,
        state: state === '.' ? '?' : state,
        x: x1,
        y: y1,
        w,
        h: w / 5,
        turn: (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI,
      })
    })
  })
  return found
})
const outlines = computed(() => {
  let n = 0
  return props.sheet.units.map((unit) => {
    const ends = props.sheet.dashes.slice(n * 4, (n + unit.nozzles.length) * 4)
    n += unit.nozzles.length
    const xs = ends.filter((_, i) => i % 2 === 0)
    const ys = ends.filter((_, i) => i % 2 === 1)
    const pad = 12
    return {
      id: unit.id,
      x: Math.min(...xs) - pad,
      y: Math.min(...ys) - pad,
      w: Math.max(...xs) - Math.min(...xs) + 2 * pad,
      h: Math.max(...ys) - Math.min(...ys) + 2 * pad,
    }
  })
})
// The picture is paper, lamp on or off: its marks keep their colours.
const inked: Record<string, string> = {
  x: '#ab2a1f',
  w: '#865108',
  d: '#865108',
  b: '#865108',
  '?': '#123a6b',
}

function reset() {
  zoom.value = 1
  at.value = { x: 0, y: 0 }
}
function larger(factor: number, x = room.value / 2, y = room.value / 2) {
  const next = Math.min(12, Math.max(1, zoom.value * factor))
  const ratio = next / zoom.value
  at.value = next === 1 ? { x: 0, y: 0 } : { x: x - (x - at.value.x) * ratio, y: y - (y - at.value.y) * ratio }
  zoom.value = next
}
function wheel(event: WheelEvent) {
  if (!event.ctrlKey && zoom.value === 1) return
  event.preventDefault()
  const box = frame.value!.getBoundingClientRect()
  larger(event.deltaY < 0 ? 1.2 : 1 / 1.2, event.clientX - box.left, event.clientY - box.top)
}
function hold(event: PointerEvent) {
  if (zoom.value === 1) return
  held = { x: event.clientX - at.value.x, y: event.clientY - at.value.y }
  frame.value?.setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (held) at.value = { x: event.clientX - held.x, y: event.clientY - held.y }
}
const loaded = (event: Event) => {
  const image = event.target as HTMLImageElement
  size.value = { width: image.naturalWidth, height: image.naturalHeight }
}
</script>

<template>
  <figure class="panel p-3">
    <div class="no-print mb-2 flex flex-wrap gap-1.5" role="group" aria-label="How the picture is shown">
      <button
        type="button"
        class="press px-2.5"
        :class="lifted ? '' : 'press-main'"
        :aria-pressed="!lifted"
        @click="lifted = false"
      >
        as taken
      </button>
      <button
        type="button"
        class="press px-2.5"
        :class="lifted ? 'press-main' : ''"
        :aria-pressed="lifted"
        @click="lifted = true"
      >
        faint inks lifted
      </button>
      <button type="button" class="press px-2.5" :aria-pressed="marked" @click="marked = !marked">
        {{ marked ? 'hide marks' : 'show marks' }}
      </button>
      <span class="flex-1" />
      <button type="button" class="press px-3" aria-label="Smaller" :disabled="zoom === 1" @click="larger(1 / 1.6)">
        −
      </button>
      <button type="button" class="press px-3" aria-label="Larger" @click="larger(1.6)">+</button>
      <button type="button" class="press px-2.5" :aria-pressed="whole" @click="((whole = !whole), reset())">
        {{ whole ? 'pattern' : 'page' }}
      </button>
    </div>
    <svg class="absolute h-0 w-0" aria-hidden="true">
      <filter id="faint-inks" color-interpolation-filters="sRGB">
        <feColorMatrix values="-0.4 -0.4 1.7 0 0  -0.4 -0.4 1.7 0 0  -0.4 -0.4 1.7 0 0  0 0 0 1 0" />
        <feComponentTransfer>
          <feFuncR type="linear" slope="2.4" intercept="-1.35" />
          <feFuncG type="linear" slope="2.4" intercept="-1.35" />
          <feFuncB type="linear" slope="2.4" intercept="-1.35" />
        </feComponentTransfer>
      </filter>
    </svg>
    <div
      ref="frame"
      class="relative overflow-hidden bg-rail select-none"
      :class="zoom > 1 ? 'cursor-grab touch-none' : ''"
      :style="{ height: room ? `${Math.min(shown.h * fit, room * 1.5)}px` : '60vw' }"
      @wheel="wheel"
      @pointerdown="hold"
      @pointermove="drag"
      @pointerup="held = null"
      @pointercancel="held = null"
    >
      <div class="origin-top-left" :style="{ transform: view, width: `${size.width}px`, height: `${size.height}px` }">
        <img
          :src="`/api/jobs/${job}/pictures/${sheet.picture}`"
          :alt="`Nozzle sheet ${sheet.number}`"
          class="max-w-none"
          :style="{ filter: lifted ? 'url(#faint-inks)' : 'none' }"
          draggable="false"
          @load="loaded"
        />
        <svg
          v-if="size.width && marked"
          :viewBox="`0 0 ${size.width} ${size.height}`"
          class="absolute inset-0 h-full w-full"
          aria-hidden="true"
        >
          <rect
            v-for="o in outlines"
            :key="o.id"
            :x="o.x"
            :y="o.y"
            :width="o.w"
            :height="o.h"
            fill="transparent"
            :stroke="lit === o.id ? '#123a6b' : 'transparent'"
            :stroke-width="4 / (fit * zoom)"
            @pointerenter="emit('light', o.id)"
            @pointerleave="emit('light', '')"
          />
          <rect
            v-for="b in boxes"
            :key="b.key"
            :x="0"
            :y="-b.h / 2"
            :width="b.w"
            :height="b.h"
            :transform="`translate(${b.x} ${b.y}) rotate(${b.turn})`"
            fill="none"
            :stroke="inked[b.state]"
            :stroke-width="1.4 / Math.min(1, fit * zoom)"
            :stroke-dasharray="b.state === 'x' ? undefined : `${b.w / 8}`"
            pointer-events="none"
          />
        </svg>
      </div>
    </div>
    <figcaption class="mt-1.5 text-sm text-soft">
      Red: missing. Dashed: weak or beside its place. Blue dashed: look yourself.
    </figcaption>
  </figure>
</template>
