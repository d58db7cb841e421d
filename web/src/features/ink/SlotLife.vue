<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { moment } from '@/shared/format'

const props = defineProps<{
  /** Number of the job. */
  job: number
  /** The slot, by panel number. */
  panel: number
  /** Its version: the life is read anew with it. */
  version: number
}>()
const query = useQuery({
  queryKey: computed(() => ['job', props.job, 'ink', 'life', props.panel, props.version]),
  queryFn: () =>
    dataOf(api.GET('/api/jobs/{id}/ink/slots/{slot}', { params: { path: { id: props.job, slot: props.panel } } })),
})
const wide = 300
const high = 90
const life = computed(() => query.data.value ?? null)
const moments = computed(() => life.value?.moments ?? [])
const x = (i: number) => 8 + (moments.value.length < 2 ? 0 : (i / (moments.value.length - 1)) * (wide - 16))
const y = (share: number) => 4 + (1 - Math.max(0, Math.min(1, share))) * (high - 8)
const inkOf = (ml: number) => y(ml / (life.value?.fillMl || 1))
const line = (of: (i: number) => number | null) =>
  moments.value
    .map((_, i) => ({ i, at: of(i) }))
    .filter((p) => p.at !== null)
    .map((p) => `${x(p.i).toFixed(1)},${p.at!.toFixed(1)}`)
    .join(' ')
const ink = computed(() => line((i) => (moments.value[i]!.inkMl ? inkOf(moments.value[i]!.inkMl!.best) : null)))
const chip = computed(() => line((i) => (moments.value[i]!.chip !== null ? y(moments.value[i]!.chip! / 100) : null)))
const band = computed(() => {
  const low = line((i) => (moments.value[i]!.inkMl ? inkOf(moments.value[i]!.inkMl!.low) : null))
  const high = line((i) => (moments.value[i]!.inkMl ? inkOf(moments.value[i]!.inkMl!.high) : null))
  return `${high} ${low.split(' ').reverse().join(' ')}`
})
</script>

<template>
  <div v-if="life">
    <p v-if="!moments.length" class="text-soft">Nothing has been told of it yet.</p>
    <template v-else>
      <svg
        :viewBox="`0 0 ${wide} ${high}`"
        class="w-full"
        role="img"
        :aria-label="`Ink and chip of slot ${panel} over time`"
      >
        <polygon :points="band" class="fill-hands-tint" />
        <line
          x1="0"
          :x2="wide"
          :y1="inkOf(life.reserveMl)"
          :y2="inkOf(life.reserveMl)"
          class="stroke-stop"
          stroke-dasharray="4 3"
        />
        <polyline :points="chip" fill="none" class="stroke-edge" stroke-width="1.5" stroke-dasharray="5 3" />
        <polyline :points="ink" fill="none" class="stroke-ink" stroke-width="2" />
        <template v-for="(m, i) in moments" :key="i">
          <circle
            v-if="m.weighedMl !== null"
            :cx="x(i)"
            :cy="inkOf(m.weighedMl)"
            r="4"
            class="fill-sheet stroke-ink"
            stroke-width="2"
          />
          <rect
            v-else-if="m.what === 'filled' || m.what === 'fitted'"
            :x="x(i) - 4"
            :y="high - 9"
            width="8"
            height="8"
            class="fill-go"
          />
          <path v-else-if="m.what === 'reset'" :d="`M${x(i) - 5},${high - 1} l5,-9 l5,9 z`" class="fill-wait" />
        </template>
      </svg>
      <p class="text-xs text-soft">
        Line: ink with its band. Dashes: chip. Ring: weighed. Square: filled or fitted. Triangle: reset. Red: the
        reserve.
      </p>
      <ol
        class="mt-1 max-h-40 divide-y divide-line overflow-y-auto text-sm"
        tabindex="0"
        aria-label="What happened to it"
      >
        <li v-for="(m, i) in [...moments].reverse()" :key="i" class="flex justify-between gap-2 py-0.5">
          <span>{{ moment(m.at) }} · {{ m.says }}</span>
          <span v-if="m.inkMl" class="font-mono">{{ m.inkMl.best.toFixed(1) }} ml</span>
        </li>
      </ol>
    </template>
  </div>
</template>
