<script setup lang="ts">
import { computed, ref } from 'vue'
import { clockTime, moment, percent } from '@/shared/format'
import KeyCap from '@/shared/ui/KeyCap.vue'
import type { Day, DayJob } from './useDay'

const props = defineProps<{
  /** The plan. */
  day: Day
  /** The server's time, ms. */
  now: number
  /** Whether the person may move pieces. */
  may?: boolean
}>()
const emit = defineEmits<{ pick: [job: DayJob]; drawn: [job: DayJob, to: number] }>()
const hour = 3_600_000
const at = (iso: string) => new Date(iso).getTime()
/** The hours drawn: those of the next open day, an hour at least before what is going on. */
const from = computed(() => {
  const next = props.day.open[0]
  const begin = next && at(next.from) > props.now ? at(next.from) : props.now
  return Math.floor(begin / hour) * hour
})
const to = computed(() => {
  const date = new Date(from.value).toDateString()
  const ends = props.day.open.map((s) => at(s.to)).filter((e) => new Date(e).toDateString() === date)
  return Math.max(from.value + 4 * hour, Math.ceil(Math.max(0, ...ends) / hour) * hour)
})
const hours = computed(() =>
  Array.from({ length: Math.round((to.value - from.value) / hour) }, (_, i) => from.value + i * hour),
)
const x = (time: number) =>
  `${(100 * (Math.min(to.value, Math.max(from.value, time)) - from.value)) / (to.value - from.value)}%`
const wide = (a: number, b: number) =>
  `${Math.max(0.4, (100 * (Math.min(to.value, b) - Math.max(from.value, a))) / (to.value - from.value))}%`
const within = (a: number, b: number) => b > from.value && a < to.value
interface Bar {
  key: string
  kind: 'hands' | 'wait'
  a: number
  b: number
  says: string
}
/** Hands that go on without a break are one bar; a bar too short for its words says them when asked. */
function bars(j: DayJob): Bar[] {
  const all: Bar[] = []
  for (const p of j.pieces) {
    const [a, b] = [at(p.from), at(p.to)]
    const before = all.at(-1)
    if (before?.kind === 'hands' && a - before.b < 60_000) {
      before.b = b
      before.says += `, ${p.says}`
    } else all.push({ key: p.from + p.says, kind: 'hands', a, b, says: p.says })
    if (p.waitTo) all.push({ key: p.to + p.waitSays, kind: 'wait', a: b, b: at(p.waitTo), says: p.waitSays || 'rests' })
  }
  return all.filter((b) => within(b.a, b.b))
}
/** The next piece is drawn along the hours to another time, in steps; the others follow it. */
const step = 15 * 60_000
const drag = ref<{ job: number; key: string; x0: number; perPx: number; a: number; to: number } | null>(null)
const isNext = (j: DayJob, b: Bar) =>
  b.kind === 'hands' && !!j.pieces[0] && b.key === j.pieces[0].from + j.pieces[0].says
function begin(e: PointerEvent, j: DayJob, b: Bar) {
  if (!props.may || !isNext(j, b)) return
  const line = (e.currentTarget as HTMLElement).parentElement!
  drag.value = {
    job: j.id,
    key: b.key,
    x0: e.clientX,
    perPx: (to.value - from.value) / Math.max(1, line.clientWidth),
    a: b.a,
    to: b.a,
  }
  ;(e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)
}
function move(e: PointerEvent) {
  if (!drag.value) return
  const raw = drag.value.a + (e.clientX - drag.value.x0) * drag.value.perPx
  drag.value.to = Math.max(Math.ceil(props.now / step) * step, Math.round(raw / step) * step)
}
function end(j: DayJob) {
  const was = drag.value
  drag.value = null
  if (was && Math.abs(was.to - was.a) >= step) emit('drawn', j, was.to)
}
const drawn = (j: DayJob, b: Bar) => (drag.value?.job === j.id && drag.value.key === b.key ? drag.value.to - b.a : 0)
/** So many rows have a digit. */
const rowKeys = 9
const hasRoom = (b: Bar) => parseFloat(wide(b.a, b.b)) > 6
const waiting = (j: DayJob) =>
  j.readyAt && within(props.now, at(j.readyAt)) ? { a: props.now, b: at(j.readyAt) } : null
</script>

<template>
  <section class="panel overflow-x-auto p-3" tabindex="0" aria-labelledby="day-title" data-testid="day-lines">
    <h2 id="day-title" class="sr-only">The plan, one row for each machine</h2>
    <div class="min-w-[44rem]">
      <div class="ml-48 flex text-sm text-soft" aria-hidden="true">
        <span v-for="h in hours" :key="h" class="flex-1 border-l border-line pl-1 font-mono">{{ clockTime(h) }}</span>
      </div>
      <ul class="divide-y divide-line">
        <li v-for="(j, i) in day.jobs" :key="j.id" class="flex items-stretch" :data-tag="j.tag">
          <button
            type="button"
            class="w-48 shrink-0 py-1 pr-2 text-left hover:bg-paper"
            :aria-label="`${j.tag} ${j.machine}: give it away, or set its time`"
            @click="emit('pick', j)"
          >
            <span class="flex items-center gap-2"
              ><KeyCap v-if="may && i < rowKeys" :of="`${i + 1}`" :does="`the next piece of ${j.tag}`" />
              <b class="font-mono">{{ j.tag }}</b> <span class="truncate">{{ j.machine }}</span></span
            >
            <span
              class="block text-sm"
              :class="j.kept !== null && j.kept < day.level ? 'font-bold text-stop' : 'text-soft'"
            >
              <template v-if="j.promiseAt"
                >⚑ {{ moment(j.promiseAt, new Date(now)) }} ·
                <b class="font-mono">{{ percent(Math.min(0.999, j.kept ?? 0)) }}</b></template
              >
              <template v-else>no promise</template>
            </span>
            <span v-if="j.unknown" class="block text-sm text-wait">way not known: a usual job</span>
            <span v-if="j.noPlace" class="block text-sm text-wait">{{ j.noPlace }}</span>
            <span v-if="j.pinned" class="block text-sm text-hands">pinned: {{ j.pinned }}</span>
          </button>
          <div
            class="relative min-h-14 flex-1"
            :aria-label="`${j.tag}: done about ${moment(j.likely, new Date(now))}`"
            role="img"
          >
            <span
              v-for="h in hours"
              :key="h"
              class="absolute inset-y-0 border-l border-line"
              :style="{ left: x(h) }"
              aria-hidden="true"
            />
            <span
              v-if="waiting(j)"
              class="absolute top-4 h-6 truncate rounded border-2 px-1 text-sm"
              :class="j.others ? 'border-edge bg-sheet text-soft' : 'border-dashed border-wait bg-wait-tint text-wait'"
              :style="{ left: x(waiting(j)!.a), width: wide(waiting(j)!.a, waiting(j)!.b) }"
              >{{ j.waitsFor }}</span
            >
            <span v-else-if="j.pieces[0] && !bars(j).length" class="absolute top-4 left-1 text-sm text-soft">{{
              j.pieces[0].hand
                ? `hands ${moment(j.pieces[0].from, new Date(now))}`
                : 'no hands for it in the days that are planned'
            }}</span>
            <span
              v-for="b in bars(j)"
              :key="b.key"
              class="absolute truncate rounded text-sm"
              :class="[
                hasRoom(b) ? 'px-1' : '',
                b.kind === 'hands'
                  ? 'top-2 h-10 bg-hands leading-10 text-sheet'
                  : 'top-4 h-6 border-2 border-dashed border-wait bg-wait-tint text-wait',
                may && isNext(j, b) ? 'cursor-grab touch-none select-none' : '',
                drawn(j, b) ? 'z-10 overflow-visible font-bold outline-2 outline-ink' : '',
              ]"
              :style="{ left: x(b.a + drawn(j, b)), width: wide(b.a + drawn(j, b), b.b + drawn(j, b)) }"
              :title="b.says"
              :data-next="isNext(j, b) || undefined"
              @pointerdown="begin($event, j, b)"
              @pointermove="move"
              @pointerup="end(j)"
              @pointercancel="drag = null"
              >{{ drawn(j, b) ? clockTime(b.a + drawn(j, b)) : hasRoom(b) ? b.says : '' }}</span
            >
            <span
              v-if="j.latestAt && within(at(j.latestAt), at(j.latestAt) + 1)"
              class="absolute inset-y-1 border-r-4 border-stop"
              :style="{ left: x(at(j.latestAt)) }"
              title="latest end"
            />
            <span
              v-if="j.promiseAt && within(at(j.promiseAt), at(j.promiseAt) + 1)"
              class="absolute inset-y-0 border-l-2 border-ink pl-0.5 text-sm font-bold"
              :style="{ left: x(at(j.promiseAt)) }"
              >⚑</span
            >
          </div>
        </li>
      </ul>
      <p class="mt-1 text-sm text-soft">
        Solid: hands. Dashed: it works or rests by itself. Framed: parts or people. ⚑ the promise, with the chance that
        it is kept.
      </p>
    </div>
  </section>
</template>
