<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, dataOf } from '@/shared/api/client'
import LoadState from '@/shared/ui/LoadState.vue'

const props = defineProps<{
  /** The layout. */
  id: string
}>()
const query = useQuery({
  queryKey: ['layout', props.id],
  queryFn: () => dataOf(api.GET('/api/layouts/{id}', { params: { path: { id: props.id } } })),
})
const print = () => window.print()
const places = (u: {
  nozzles: number
  columns: number
  x: number
  y: number
  columnPitchMm: number
  rowPitchMm: number
  stairStepMm: number
}) =>
  Array.from({ length: u.nozzles }, (_, n) => ({
    n,
    x: u.x + (n % u.columns) * u.columnPitchMm,
    y: u.y + Math.floor(n / u.columns) * u.rowPitchMm + (n % u.columns) * u.stairStepMm,
  }))
</script>

<template>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the layout" @retry="query.refetch()">
    <template v-if="query.data.value">
      <header class="no-print mb-3 flex flex-wrap items-center gap-2">
        <h1 class="flex-1 text-2xl">{{ query.data.value.name }}</h1>
        <button type="button" class="press press-main" @click="print">Print at full size</button>
        <RouterLink class="press" to="/guides">Guides</RouterLink>
      </header>
      <p class="no-print mb-2 text-soft">
        Where every nozzle prints, in the inks’ own colours. Mark on paper what is missing, or lay a print beside it.
      </p>
      <svg
        class="blank-sheet w-full max-w-4xl border border-line bg-white"
        :viewBox="`0 0 ${query.data.value.pageWidthMm} ${query.data.value.pageHeightMm}`"
        :style="{ '--sheet-width': `${query.data.value.pageWidthMm}mm` }"
        role="img"
        :aria-label="query.data.value.name"
      >
        <g v-for="u in query.data.value.units" :key="u.id" :fill="u.color">
          <rect
            v-for="p in places(u)"
            :key="p.n"
            :x="p.x"
            :y="p.y - u.dashThicknessMm / 2"
            :width="u.dashLengthMm"
            :height="u.dashThicknessMm"
          />
        </g>
        <template v-for="(m, i) in query.data.value.marks" :key="i">
          <text v-if="m.text" :x="m.x1" :y="m.y1" :font-size="m.sizeMm * 1.4" fill="#222">{{ m.text }}</text>
          <line v-else :x1="m.x1" :y1="m.y1" :x2="m.x2" :y2="m.y2" :stroke-width="m.sizeMm" stroke="#222" />
        </template>
      </svg>
    </template>
  </LoadState>
</template>
