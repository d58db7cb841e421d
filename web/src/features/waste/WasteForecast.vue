<script setup lang="ts">
import { computed } from 'vue'
import { day, withUnit } from '@/shared/format'
import type { Waste } from './useWaste'

const props = defineProps<{
  /** Waste of the job. */
  waste: Waste
}>()
const wide = 640
const high = 210
const last = computed(() => props.waste.course.at(-1)?.days ?? 1)
const x = (days: number) => (days / last.value) * wide
const y = (share: number) => high - Math.max(0, Math.min(1.15, share)) * (high / 1.15)
const share = (g: number) => (g - props.waste.tareG) / Math.max(1, props.waste.mostG - props.waste.tareG)
const band = computed(() => {
  const up = props.waste.course.map((c) => `${x(c.days)},${y(share(c.high))}`)
  const down = [...props.waste.course].reverse().map((c) => `${x(c.days)},${y(share(c.low))}`)
  return [...up, ...down].join(' ')
})
const line = computed(() => props.waste.course.map((c) => `${x(c.days)},${y(share(c.best))}`).join(' '))
// The counter as it would run: up to its limit, then reset.
const teeth = computed(() => {
  const perDay = props.waste.pointsPerDay ?? 0
  if (perDay <= 0) return ''
  const points: string[] = []
  let at = 0
  let count = Math.min(100, props.waste.counter ?? 0)
  while (at < last.value && points.length < 80) {
    points.push(`${x(at)},${y(count / 100)}`)
    const full = at + (100 - count) / perDay
    points.push(
      `${x(Math.min(full, last.value))},${y(full > last.value ? (count + (last.value - at) * perDay) / 100 : 1)}`,
    )
    at = full
    count = 0
  }
  return points.join(' ')
})
const from = Date.now()
const ticks = computed(() =>
  [0, 0.25, 0.5, 0.75, 1].map((s) => ({
    x: s * wide,
    says: day(new Date(from + s * last.value * 86400000).toISOString()),
  })),
)
const due = (b: Waste['storeFull']) =>
  props.waste.pointsPerDay === null && !b?.median
    ? 'not known yet'
    : !b?.median
      ? 'later than ten years'
      : `${day(b.median)} (${b.early ? day(b.early) : '?'} to ${b.late ? day(b.late) : 'later'})`
</script>

<template>
  <section class="panel overflow-x-auto p-3" tabindex="0" aria-labelledby="course-title" data-testid="waste-course">
    <h2 id="course-title" class="text-base">What each will reach, at today’s use</h2>
    <template v-if="waste.course.length">
      <svg
        viewBox="-4 -8 648 250"
        class="mt-1 w-full min-w-[36rem]"
        role="img"
        :aria-label="`Store full: ${due(waste.storeFull)}. Counter full: ${due(waste.counterFull)}.`"
      >
        <polygon :points="band" class="fill-line" />
        <line
          :x1="0"
          :x2="wide"
          :y1="y(share(waste.safeG))"
          :y2="y(share(waste.safeG))"
          class="stroke-wait"
          stroke-width="2"
          stroke-dasharray="8 5"
        />
        <text x="4" :y="y(share(waste.safeG)) - 5" class="fill-wait text-[13px] font-bold">used to here</text>
        <polyline :points="teeth" fill="none" class="stroke-stop" stroke-width="2" />
        <polyline :points="line" fill="none" class="stroke-ink" stroke-width="3" />
        <line x1="0" :x2="wide" :y1="high" :y2="high" class="stroke-edge" />
        <text
          v-for="(t, i) in ticks"
          :key="t.x"
          :x="t.x"
          :y="high + 18"
          :text-anchor="i === 0 ? 'start' : i === ticks.length - 1 ? 'end' : 'middle'"
          class="fill-soft text-[12.5px]"
        >
          {{ t.says }}
        </text>
      </svg>
      <p class="text-sm text-soft">
        Black: the store, with its band of 9 in 10. Red: the counter, if it is reset when full.
      </p>
    </template>
    <p v-else class="mt-1 text-soft">Two readings of the counter, some days apart, tell how fast it goes.</p>
    <dl class="mt-1 grid grid-cols-[auto_1fr] gap-x-3">
      <dt class="text-soft">Counter full</dt>
      <dd :class="waste.first === 'counter' ? 'font-bold' : ''">{{ due(waste.counterFull) }}</dd>
      <template v-if="waste.borderless">
        <dt class="text-soft">Borderless</dt>
        <dd>
          {{ withUnit(waste.borderless.pct, '%') }}{{ waste.borderless.isRead ? '' : ', set so and not read back'
          }}<template v-if="waste.borderless.pct >= 100">: borderless prints stop, others go on</template
          ><template v-else>; full {{ due(waste.borderless.full) }}</template>
        </dd>
      </template>
      <dt class="text-soft">Store full</dt>
      <dd :class="waste.first === 'store' ? 'font-bold' : ''">{{ due(waste.storeFull) }}</dd>
      <template v-if="waste.cyclesLeft">
        <dt class="text-soft">Whole runs left</dt>
        <dd class="font-mono">
          {{ waste.cyclesLeft.best }} ({{ waste.cyclesLeft.low }} to {{ waste.cyclesLeft.high }})
        </dd>
      </template>
    </dl>
  </section>
</template>
