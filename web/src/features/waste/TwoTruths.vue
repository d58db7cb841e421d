<script setup lang="ts">
import { computed } from 'vue'
import { moment, withUnit } from '@/shared/format'
import type { Waste } from './useWaste'

const props = defineProps<{
  /** Waste of the job. */
  waste: Waste
}>()
const high = 220
const y = (share: number) => high - Math.max(0, Math.min(1, share)) * high
const span = computed(() => Math.max(1, props.waste.mostG - props.waste.tareG))
const share = (g: number) => (g - props.waste.tareG) / span.value
const mass = computed(() => props.waste.massG)
</script>

<template>
  <section class="panel p-3" aria-labelledby="truths-title">
    <h2 id="truths-title" class="sr-only">What it says, and what is there</h2>
    <div class="grid grid-cols-2 gap-4">
      <div>
        <svg
          viewBox="0 -14 150 250"
          class="w-full"
          role="img"
          :aria-label="`The counter says ${waste.counter ?? 'nothing'} %`"
        >
          <defs>
            <pattern id="waste-hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="3" height="7" class="fill-edge" />
            </pattern>
          </defs>
          <rect x="20" :y="0" width="80" :height="high" class="fill-sheet stroke-ink" stroke-width="2" />
          <template v-if="waste.counter !== null">
            <rect
              x="21"
              :y="y(waste.counter / 100)"
              width="78"
              :height="high - y(waste.counter / 100)"
              :class="waste.counter >= 100 ? 'fill-stop' : ''"
              :fill="waste.counter >= 100 ? undefined : 'url(#waste-hatch)'"
            />
            <rect x="32" :y="high - 40" width="56" height="28" class="fill-sheet" rx="3" />
            <text x="60" :y="high - 20" text-anchor="middle" class="fill-ink font-mono text-[18px] font-bold">
              {{ Math.round(waste.counter) }}%
            </text>
          </template>
          <text v-else x="60" y="110" text-anchor="middle" class="fill-soft text-[14px]">not read</text>
          <line
            x1="12"
            x2="128"
            :y1="y(waste.warnPct / 100)"
            :y2="y(waste.warnPct / 100)"
            class="stroke-wait"
            stroke-width="2"
            stroke-dasharray="7 4"
          />
        </svg>
        <p class="font-bold">The counter says</p>
        <p class="text-sm text-soft">
          {{
            waste.counterAt
              ? `${moment(waste.counterAt)}${waste.counterRead ? '' : ', set so and not read back'}`
              : 'never read here'
          }}<template v-if="waste.counter !== null && waste.counter < 100 && waste.counter >= waste.warnPct"
            >; it warns from {{ withUnit(waste.warnPct, '%') }} on</template
          >
        </p>
      </div>
      <div>
        <svg
          viewBox="0 -14 150 250"
          class="w-full"
          role="img"
          :aria-label="
            mass && waste.known
              ? `The store holds ${Math.round(mass.best - waste.tareG)} g`
              : 'What the store holds is not known'
          "
        >
          <rect x="20" y="0" width="80" :height="high" class="fill-sheet stroke-ink" stroke-width="2" />
          <template v-if="mass && waste.known">
            <rect x="21" :y="y(share(mass.best))" width="78" :height="high - y(share(mass.best))" class="fill-soft" />
            <line
              x1="108"
              x2="108"
              :y1="y(share(mass.high))"
              :y2="y(share(mass.low))"
              class="stroke-ink"
              stroke-width="4"
            />
            <rect x="28" :y="high - 40" width="64" height="28" class="fill-sheet" rx="3" />
            <text x="60" :y="high - 20" text-anchor="middle" class="fill-ink font-mono text-[18px] font-bold">
              {{ Math.round(mass.best - waste.tareG) }} g
            </text>
          </template>
          <text v-else x="60" y="120" text-anchor="middle" class="fill-soft text-[14px]">not known</text>
          <line
            x1="12"
            x2="128"
            :y1="y(share(waste.safeG))"
            :y2="y(share(waste.safeG))"
            class="stroke-wait"
            stroke-width="3"
            stroke-dasharray="7 4"
          />
          <text x="60" :y="y(share(waste.safeG)) - 6" text-anchor="middle" class="fill-wait text-[13px] font-bold">
            {{ Math.round(waste.safeG - waste.tareG) }} g
          </text>
        </svg>
        <p class="font-bold">The store holds</p>
        <p class="text-sm text-soft">
          over its {{ withUnit(waste.tareG, 'g') }} dry; used to {{ withUnit(waste.safeG - waste.tareG, 'g')
          }}<template v-if="mass && waste.known"
            >; {{ Math.round(Math.max(0, mass.low - waste.tareG)) }} to
            {{ withUnit(Math.max(0, mass.high - waste.tareG), 'g') }} in 9 of 10</template
          >
        </p>
      </div>
    </div>
    <p class="mt-2 border-l-4 border-go bg-go-tint px-3 py-1.5" data-testid="waste-says">{{ waste.says }}</p>
  </section>
</template>
