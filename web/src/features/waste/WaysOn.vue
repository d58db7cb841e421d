<script setup lang="ts">
import { computed } from 'vue'
import { money, wait, withUnit } from '@/shared/format'
import type { Waste } from './useWaste'

const props = defineProps<{
  /** Waste of the job. */
  waste: Waste
  /** The horizon, years. */
  years: number
}>()
const emit = defineEmits<{ years: [years: number] }>()
const horizons = [1, 3, 5]
const span = (days: number) => (days < 60 ? withUnit(days, 'days') : withUnit(days / 30.4, 'months'))
// Without a known use nothing is said of how long a way lasts, so none is advised.
const leads = (at: number) => at === 0 && props.waste.ways[0]!.open && props.waste.pointsPerDay !== null
const lasts = (days: number | null) =>
  props.waste.pointsPerDay === null ? 'not known yet' : days === null ? 'for good' : span(days)
const bySchool = computed(() => props.waste.ways.find((w) => w.id === props.waste.bySchool?.way) ?? null)
const agree = computed(() => props.waste.ways[0]?.id.split('-')[0] === bySchool.value?.id.split('-')[0])
</script>

<template>
  <section class="panel overflow-x-auto p-3" tabindex="0" aria-labelledby="ways-title" data-testid="waste-ways">
    <div class="flex flex-wrap items-center gap-2">
      <h2 id="ways-title" class="flex-1 text-base">Ways to go on</h2>
      <span class="text-sm text-soft">over</span>
      <button
        v-for="y in horizons"
        :key="y"
        type="button"
        class="press min-w-11 px-3"
        :aria-pressed="y === years"
        :class="y === years ? 'press-main' : ''"
        @click="emit('years', y)"
      >
        {{ y }}
      </button>
      <span class="text-sm text-soft">years</span>
    </div>
    <table class="mt-1 w-full min-w-[34rem] text-left">
      <thead class="text-sm text-soft">
        <tr>
          <th class="pr-3 font-normal">What</th>
          <th class="pr-3 font-normal">Bench time</th>
          <th class="pr-3 text-right font-normal">Today</th>
          <th class="pr-3 font-normal">Lasts</th>
          <th class="text-right font-normal">A year</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(w, i) in waste.ways" :key="w.id" class="border-t border-line" :class="leads(i) ? 'bg-go-tint' : ''">
          <td class="py-1.5 pr-3" :class="w.open ? '' : 'text-soft'">
            <b v-if="leads(i)">{{ w.name }}</b><template v-else>{{ w.name }}</template>
            <span v-if="w.why" class="block text-sm" :class="w.open ? 'text-soft' : 'text-stop'">{{ w.why }}</span>
            <span v-if="w.cheaperUntilDays !== null" class="block text-sm text-soft"
              >cheaper for the first {{ span(w.cheaperUntilDays)
              }}<template v-if="w.cheaperUntilRuns !== null"
                >, {{ w.cheaperUntilRuns.toFixed(1) }} runs of the counter</template
              ></span
            >
            <span v-if="w.spared >= 0.1" class="block text-sm text-soft">spares {{ w.spared.toFixed(1) }} a year</span>
          </td>
          <td class="pr-3 font-mono">
            {{ withUnit(w.handsMin, 'min') }}<template v-if="w.waitHours"> + {{ wait(w.waitHours * 60) }}</template>
          </td>
          <td class="pr-3 text-right font-mono">{{ money(w.today, waste.currency) }}</td>
          <td class="pr-3">{{ w.open ? lasts(w.lastsDays) : '–' }}</td>
          <td class="text-right font-mono">{{ w.open ? money(w.perYear, waste.currency) : '–' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="waste.pointsPerDay === null" class="mt-1 border-l-4 border-wait bg-wait-tint px-3 py-1.5">
      How fast it fills is not known yet, so none is advised: two readings of the counter, some days apart, tell it.
    </p>
    <p
      v-if="waste.bySchool && bySchool"
      class="mt-1 border-l-4 px-3 py-1.5"
      :class="agree || !leads(0) ? 'border-line' : 'border-wait bg-wait-tint'"
      data-testid="by-school"
    >
      By the shop’s school, {{ waste.bySchool.school.toLowerCase() }}: <b>{{ waste.bySchool.option }}</b>.
      {{ waste.bySchool.why }}
      <template v-if="leads(0) && !agree">The numbers say {{ waste.ways[0]!.name.toLowerCase() }}.</template>
    </p>
    <p class="mt-1 text-sm text-soft">
      Parts, bench time at the shop’s rate, and the risk of an overflow as a price. Pads and ink go where local rules
      say.
    </p>
  </section>
</template>
