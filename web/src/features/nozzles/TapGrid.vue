<script setup lang="ts">
import { computed, ref } from 'vue'
import { count, letters, withRun, words, type Letter } from './tapping'
import type { Tapped, UnitShape } from './useSheets'

const props = defineProps<{
  /** Units of the layout. */
  units: UnitShape[]
  /** What is tapped so far, unit by unit. */
  tapped: Tapped[]
  /** Nozzles to look at, by unit. */
  unsure?: Record<string, number[]>
  /** A write is under way. */
  busy: boolean
}>()
const emit = defineEmits<{ change: [tapped: Tapped[]]; save: []; cancel: [] }>()
const brush = ref<Letter>('x')
const from = ref<{ unit: number; nozzle: number } | null>(null)
const total = computed(() => props.tapped.reduce((sum, u) => sum + count(u.nozzles, 'x'), 0))

function set(unit: number, nozzles: string) {
  emit(
    'change',
    props.tapped.map((u, i) => (i === unit ? { ...u, nozzles } : u)),
  )
}
const paint = (unit: number, nozzle: number) =>
  props.tapped[unit]!.nozzles[nozzle] === brush.value ? '.' : brush.value
let letter = 'x'
let before = ''
function down(event: PointerEvent, unit: number, nozzle: number) {
  ;(event.target as Element).releasePointerCapture?.(event.pointerId)
  letter = paint(unit, nozzle)
  before = props.tapped[unit]!.nozzles
  from.value = { unit, nozzle }
  set(unit, withRun(before, nozzle, nozzle, letter))
}
function over(event: PointerEvent) {
  if (!from.value) return
  const cell = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-nozzle]')
  if (!cell || Number(cell.dataset.of) !== from.value.unit) return
  set(from.value.unit, withRun(before, from.value.nozzle, Number(cell.dataset.nozzle), letter))
}
function whole(unit: number, state: string) {
  set(unit, state.repeat(props.units[unit]!.nozzles))
}
/** Where the keyboard stands, by unit: each block is one tab stop, arrows move within it. */
const stands = ref<Record<number, number>>({})
const steps = (columns: number): Record<string, number> => ({
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowUp: -columns,
  ArrowDown: columns,
})
function move(event: KeyboardEvent, unit: number, nozzle: number) {
  const shape = props.units[unit]!
  const last = shape.nozzles - 1
  const to = event.key === 'Home' ? 0 : event.key === 'End' ? last : nozzle + (steps(shape.columns)[event.key] ?? NaN)
  if (Number.isNaN(to)) return
  event.preventDefault()
  if (to < 0 || to > last) return
  stands.value = { ...stands.value, [unit]: to }
  const block = (event.currentTarget as HTMLElement).parentElement
  block?.querySelector<HTMLElement>(`[data-nozzle="${to}"]`)?.focus()
}
const look: Record<string, string> = {
  '.': 'bg-current opacity-60',
  x: 'border-2 border-stop bg-stop-tint',
  w: 'border-2 border-dashed border-wait bg-wait-tint',
  d: 'translate-y-1 bg-wait',
  b: 'translate-y-1 border-2 border-dashed border-wait',
}
</script>

<template>
  <section class="panel" aria-label="Taps" @pointermove="over" @pointerup="from = null" @pointercancel="from = null">
    <div
      class="sticky top-[70px] z-10 -mx-4 -mt-4 mb-3 flex flex-wrap items-center gap-1.5 border-b border-line bg-sheet p-3"
    >
      <span class="font-bold">A tap sets:</span>
      <button
        v-for="l in letters.slice(1)"
        :key="l"
        type="button"
        class="press px-2.5"
        :class="brush === l ? 'press-main' : ''"
        :aria-pressed="brush === l"
        @click="brush = l"
      >
        {{ words[l] }}
      </button>
      <span class="flex-1 text-right font-mono">{{ total }} missing</span>
      <button type="button" class="press" @click="emit('cancel')">Back</button>
      <button type="button" class="press press-main" :disabled="busy" @click="emit('save')">Put it on record</button>
    </div>
    <p class="mb-3 text-soft">Tap a dash that is not there; tap again to take it back. Drag along for a run.</p>
    <div class="grid gap-5 lg:grid-cols-2">
      <div v-for="(u, i) in units" :key="u.id">
        <div class="mb-1 flex flex-wrap items-center gap-2">
          <h3 class="font-bold">
            {{ u.id }} <span class="font-normal text-soft">{{ u.ink }}</span>
          </h3>
          <span class="font-mono text-sm" :class="count(tapped[i]!.nozzles, 'x') ? 'text-stop' : 'text-go'">{{
            count(tapped[i]!.nozzles, 'x')
          }}</span>
          <span class="flex-1" />
          <button type="button" class="press px-2" @click="whole(i, '.')">all good</button>
          <button type="button" class="press px-2" @click="whole(i, 'x')">none prints</button>
        </div>
        <div
          class="grid touch-none gap-x-0.5"
          :style="{ gridTemplateColumns: `repeat(${u.columns}, minmax(0, 1fr))`, color: u.color }"
        >
          <button
            v-for="(state, n) in tapped[i]!.nozzles"
            :key="n"
            type="button"
            class="flex h-8 items-center pointer-coarse:h-11"
            :data-of="i"
            :data-nozzle="n"
            :aria-label="`${u.id} ${n + 1}: ${words[state]}`"
            :tabindex="n === (stands[i] ?? 0) ? 0 : -1"
            @focus="stands = { ...stands, [i]: n }"
            @keydown="move($event, i, n)"
            @pointerdown.prevent="down($event, i, n)"
            @keydown.enter.prevent="set(i, withRun(tapped[i]!.nozzles, n, n, paint(i, n)))"
            @keydown.space.prevent="set(i, withRun(tapped[i]!.nozzles, n, n, paint(i, n)))"
          >
            <span
              class="h-3 w-full rounded-sm"
              :class="[look[state], unsure?.[u.id]?.includes(n) ? 'outline-2 outline-offset-2 outline-hands' : '']"
            />
          </button>
        </div>
      </div>
    </div>
  </section>
</template>
