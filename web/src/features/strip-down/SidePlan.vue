<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { seenFrom, turned } from './acts'
import type { Part } from './useOpening'

const props = withDefaults(
  defineProps<{
    /** All parts of the machine. */
    parts: Part[]
    /** The side to show first. */
    view: string
    /** The part in question; empty for none. */
    lit?: string
    /** The group of fasteners in question, by its removal; empty for the catches of the part. */
    group?: string
    /** Parts chosen to be reached. */
    chosen?: string[]
    /** Whether parts can be pressed. Default: false. */
    pressable?: boolean
  }>(),
  { lit: '', group: '', chosen: () => [], pressable: false },
)
const emit = defineEmits<{ press: [part: string] }>()
const sides = ['front', 'back', 'left', 'right', 'top', 'under']
const side = ref(props.view || 'front')
const fromBack = ref(false)
watch(
  () => [props.view, props.lit],
  () => (side.value = props.view || side.value),
)
const litPart = computed(() => props.parts.find((p) => p.id === props.lit))
const flat = computed(() => side.value === 'top' || side.value === 'under')
const flips = computed(() => flat.value && fromBack.value)
const W = 1.7
const box = (p: Part) => {
  const at = flips.value ? turned(p.x + p.width, p.y + p.height) : { x: p.x, y: p.y }
  return { x: at.x * W + 2, y: at.y + 2, width: p.width * W, height: p.height }
}
const spot = (s: { x: number; y: number }) => {
  const at = flips.value ? turned(s.x, s.y) : s
  return { x: at.x * W + 2, y: at.y + 2 }
}
const layerNames = ['covers', 'under the covers', 'the frame']
const DEEPEST = layerNames.length - 1
const layerOf = (p: Part) => Math.min(p.layer, DEEPEST)
/** Layers peel off one by one; the way to one part shows the layer that it lies in. */
const peeled = ref(0)
const peel = () =>
  (peeled.value = Math.max(
    0,
    layers.value.findIndex((l) => l.left > 0),
  ))
const layer = computed(() => (litPart.value ? layerOf(litPart.value) : props.pressable ? peeled.value : null))
const ofSide = computed(() => props.parts.filter((p) => p.view === side.value).sort((a, b) => layerOf(a) - layerOf(b)))
const layers = computed(() =>
  layerNames.map((name, i) => {
    const parts = ofSide.value.filter((p) => layerOf(p) === i)
    return { name, count: parts.length, left: parts.filter((p) => !p.isOff).length }
  }),
)
watch(side, peel, { immediate: true })
/** Large parts beneath small ones, the one in question on top. */
const here = computed(() =>
  ofSide.value
    .filter((p) => layer.value === null || layerOf(p) === layer.value)
    .sort((a, b) => Number(a.id === props.lit) - Number(b.id === props.lit) || b.width * b.height - a.width * a.height),
)
/** Numbered over the whole side, outside first: a part keeps its number whatever is peeled off. */
const numberOf = (p: Part) => ofSide.value.indexOf(p) + 1
function press(p: Part) {
  peeled.value = layerOf(p)
  emit('press', p.id)
}
const spots = computed(() => {
  const part = litPart.value
  if (!part) return []
  const group = part.fasteners.find((f) => f.removal === props.group)
  if (group) return group.view === side.value ? group.at.map(spot) : []
  return part.view === side.value ? part.catches.map(spot) : []
})
/** A small part is drawn twice as large, with what lies round it. */
const frame = computed(() => {
  const part = litPart.value
  const small = part && part.view === side.value && part.width < 40 && part.height < 40 && spots.value.length <= 4
  if (props.pressable || !small) return '0 0 174 108'
  const at = box(part)
  const x = Math.min(87, Math.max(0, at.x + at.width / 2 - 43.5))
  const y = Math.min(54, Math.max(0, at.y + at.height / 2 - 27))
  return `${x} ${y} 87 54`
})
const says = computed(
  () =>
    `${seenFrom(side.value)}${flat.value ? `, standing at the ${fromBack.value ? 'back' : 'front'}` : ''}${litPart.value ? `: ${litPart.value.name}` : ''}`,
)
</script>

<template>
  <figure class="m-0">
    <div class="no-print mb-1 flex flex-wrap gap-1" role="group" aria-label="Side of the machine">
      <label v-if="!pressable" class="flex flex-1 items-center gap-2 text-sm"
        >from
        <select v-model="side" class="field">
          <option v-for="s in sides" :key="s">{{ s }}</option>
        </select></label
      >
      <template v-else>
        <button
          v-for="s in sides"
          :key="s"
          type="button"
          class="press px-2 text-sm"
          :class="s === side ? 'press-main' : ''"
          :aria-pressed="s === side"
          @click="side = s"
        >
          {{ s }}
        </button>
      </template>
      <button
        v-if="flat"
        type="button"
        class="press px-2 text-sm"
        :aria-pressed="fromBack"
        @click="fromBack = !fromBack"
      >
        turn it
      </button>
    </div>
    <div v-if="pressable" class="no-print mb-1 flex flex-wrap gap-1" role="group" aria-label="Layer">
      <button
        v-for="(l, i) in layers"
        :key="l.name"
        type="button"
        class="press px-2 text-sm"
        :class="i === peeled ? 'press-main' : ''"
        :aria-pressed="i === peeled"
        :data-layer="i"
        @click="peeled = i"
      >
        {{ l.name }} <span class="font-mono">{{ l.count }}</span>
      </button>
    </div>
    <div :class="pressable ? 'grid items-start gap-3 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]' : ''">
      <div>
        <svg :viewBox="frame" class="w-full" role="img" :aria-label="says">
          <rect x="1" y="1" width="172" height="102" rx="3" fill="var(--color-paper)" stroke="var(--color-edge)" />
          <g
            v-for="p in here"
            :key="p.id"
            :data-part="p.id"
            :class="pressable ? 'cursor-pointer' : ''"
            @click="pressable && press(p)"
          >
            <rect
              v-bind="box(p)"
              rx="1.5"
              :fill="chosen.includes(p.id) ? 'var(--color-go-tint)' : p.isOff ? 'none' : 'var(--color-sheet)'"
              :stroke="p.id === lit || chosen.includes(p.id) ? 'var(--color-ink)' : 'var(--color-line)'"
              :stroke-width="p.id === lit || chosen.includes(p.id) ? 1.2 : 0.6"
              :stroke-dasharray="p.isOff ? '2 1.5' : undefined"
            />
            <rect
              v-if="p.ink"
              :x="box(p).x + 1"
              :y="box(p).y + box(p).height - 2.5"
              :width="Math.max(0, box(p).width - 2)"
              height="1.6"
              :fill="p.ink"
              stroke="var(--color-edge)"
              stroke-width="0.2"
            />
            <g v-if="pressable" :transform="`translate(${box(p).x + 4.5} ${box(p).y + 4.5})`">
              <circle r="3.4" fill="var(--color-sheet)" stroke="var(--color-edge)" stroke-width="0.5" />
              <text y="1.4" text-anchor="middle" font-size="4" font-weight="700" fill="var(--color-ink)">
                {{ numberOf(p) }}
              </text>
            </g>
          </g>
          <g v-for="(s, i) in spots" :key="i" :transform="`translate(${s.x} ${s.y})`">
            <circle r="4" fill="var(--color-stop)" />
            <text y="1.9" text-anchor="middle" font-size="5.4" font-weight="700" fill="var(--color-sheet)">
              {{ i + 1 }}
            </text>
          </g>
          <text v-if="flat" x="87" y="101" text-anchor="middle" font-size="4.6" fill="var(--color-soft)">
            {{ fromBack ? 'back edge' : 'front edge' }}
          </text>
        </svg>
        <p class="text-sm text-soft">{{ says }}</p>
      </div>
      <ul v-if="pressable" class="flex max-h-[21rem] flex-wrap content-start gap-1.5 overflow-y-auto">
        <li v-for="p in ofSide" :key="p.id">
          <button
            type="button"
            class="press px-2"
            :class="chosen.includes(p.id) ? 'press-main' : ''"
            :aria-pressed="chosen.includes(p.id)"
            @click="press(p)"
          >
            <span
              class="inline-grid h-6 min-w-6 place-items-center rounded-full border font-mono text-sm"
              aria-hidden="true"
              >{{ numberOf(p) }}</span
            >
            {{ p.name }}{{ p.isOff ? ', off' : '' }}
          </button>
        </li>
        <li v-if="ofSide.length === 0" class="text-soft">Nothing of this model comes off at this side.</li>
      </ul>
    </div>
  </figure>
</template>
