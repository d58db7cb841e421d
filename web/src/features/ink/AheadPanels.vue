<script setup lang="ts">
import { day, money, withUnit } from '@/shared/format'
import type { Ink } from './useInk'

defineProps<{
  /** Ink of the job. */
  ink: Ink
}>()
</script>

<template>
  <div class="no-print grid grid-cols-[minmax(0,1fr)] items-start gap-2 lg:grid-cols-2">
    <section v-if="ink.conversion" class="panel p-3" aria-labelledby="conversion-title" data-testid="conversion">
      <h2 id="conversion-title" class="text-base">
        To refillables, slot by slot · {{ money(ink.conversion.cost, ink.currency) }},
        {{ withUnit(ink.conversion.minutes, 'min') }}
      </h2>
      <p class="text-soft">
        A donor needs {{ withUnit(ink.conversion.floor, '%') }} left. One at a time, so that no carriers are mixed:
        cover off, carrier prised out, the donor laid as it lay, both turned the same way, clip in register.
        <b v-if="ink.conversion.window" class="text-ink"
          >All good donors stay good until {{ day(ink.conversion.window) }}.</b
        >
      </p>
      <ol class="mt-1">
        <li v-for="s in ink.conversion.steps" :key="s.slot" class="border-t border-line py-1.5">
          <b
            ><span class="font-mono">{{ s.slot }}</span> {{ s.ink }}</b
          >
          <span v-if="s.goodUntil" class="text-soft"> · good until {{ day(s.goodUntil) }}</span>
          <span :class="s.lost ? 'font-bold text-stop' : ''">: {{ s.says }}</span>
        </li>
      </ol>
    </section>
    <section
      v-if="ink.money.length > 1"
      class="panel overflow-x-auto p-3"
      tabindex="0"
      aria-labelledby="money-title"
      data-testid="ink-money"
    >
      <h2 id="money-title" class="text-base">What a page costs in ink</h2>
      <table class="mt-1 w-full text-left">
        <thead class="text-sm text-soft">
          <tr>
            <th class="pr-3 font-normal">Way</th>
            <th class="pr-3 text-right font-normal">A page</th>
            <th class="pr-3 text-right font-normal">An ml</th>
            <th class="text-right font-normal">Head at risk</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in ink.money" :key="m.id" class="border-t border-line">
            <td class="py-1.5 pr-3">
              {{ m.name
              }}<span v-if="m.slots < ink.slots.length" class="text-soft"
                >, {{ m.slots }} slot{{ m.slots > 1 ? 's' : '' }}</span
              >
              <span v-if="m.paysAfter !== null" class="block text-sm text-soft"
                >pays after {{ Math.max(1, Math.ceil(m.paysAfter)) }} filling{{ m.paysAfter > 1 ? 's' : '' }}</span
              >
            </td>
            <td class="pr-3 text-right font-mono">{{ money(m.perPage, ink.currency) }}</td>
            <td class="pr-3 text-right font-mono">{{ money(m.perMl, ink.currency) }}</td>
            <td class="text-right font-mono">{{ m.risk > 0 ? money(m.risk, ink.currency) : '–' }}</td>
          </tr>
        </tbody>
      </table>
      <p class="mt-1 text-sm text-soft">
        At 5 % of each channel. Piece, ink, hands and the head a filling may cost, as a price; house defaults.
      </p>
    </section>
  </div>
</template>
