<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Bench } from './useJob'
import { layOut, size } from './pathLayout'
import PathList from './PathList.vue'
import StationVial from './StationVial.vue'

const props = defineProps<{
  /** The job, for its stations and slots. */
  job: Bench
}>()
const emit = defineEmits<{ station: [id: string] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const drawing = computed(() => layOut(props.job.stations))
const narrow = computed(() => width.value > 0 && width.value < 760)
const stripe = computed(() => Math.min(3, 16 / props.job.slots.length))
const rows = [
  { name: 'Signal', y: size.rows.signal },
  { name: 'Ink', y: size.rows.ink },
  { name: 'Waste', y: size.rows.waste },
]
</script>

<template>
  <section ref="box" class="panel p-1 md:px-2 md:py-1" aria-label="Paths of the machine">
    <PathList v-if="narrow" :job="job" @station="emit('station', $event)" />
    <svg v-else :viewBox="`0 0 ${size.width} ${size.height}`" class="block w-full select-none">
      <g fill="none" stroke-width="9" stroke-linecap="round" class="stroke-line">
        <path :d="drawing.signal" />
        <path :d="drawing.waste" />
      </g>
      <g>
        <rect
          :x="drawing.ink.from - 4"
          :y="drawing.ink.y - 10"
          :width="drawing.ink.to - drawing.ink.from + 8"
          height="20"
          rx="6"
          class="fill-line"
        />
        <rect
          v-for="(slot, i) in job.slots"
          :key="slot.panel"
          :x="drawing.ink.from"
          :y="drawing.ink.y - (job.slots.length * stripe) / 2 + i * stripe"
          :width="drawing.ink.to - drawing.ink.from"
          :height="stripe"
          :fill="slot.colour"
        />
      </g>
      <text v-for="row in rows" :key="row.name" x="14" :y="row.y + 6" class="fill-ink text-[16px] font-bold">
        {{ row.name }}
      </text>
      <StationVial
        v-for="p in drawing.placed"
        :key="p.station.id"
        :station="p.station"
        :x="p.x"
        :y="p.y"
        @press="emit('station', p.station.id)"
      />
    </svg>
  </section>
</template>
