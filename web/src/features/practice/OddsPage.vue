<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { percent, withUnit } from '@/shared/format'
import LoadState from '@/shared/ui/LoadState.vue'

const query = useQuery({ queryKey: ['odds'], queryFn: () => dataOf(api.GET('/api/odds')) })
const odds = computed(() => query.data.value)
const ratio = (part: number, all: number) => (all > 0 ? part / all : 0)
</script>

<template>
  <RouterLink to="/practice" class="inline-flex min-h-11 items-center underline underline-offset-3"
    >Practice</RouterLink
  >
  <h1 class="mb-3 text-2xl">How the odds have done</h1>
  <LoadState
    :pending="query.isPending.value"
    :error="query.error.value"
    what="the record of the odds"
    @retry="query.refetch()"
  >
    <p v-if="odds?.jobs === 0" class="panel">
      No job was closed as verified yet. Each one that is will be weighed here: what the odds predicted, and what it
      was.
    </p>
    <template v-else-if="odds">
      <p class="mb-3">
        {{ odds.jobs }} proved threads. The cause in the lead before the first repair was the one in
        <strong>{{ percent(ratio(odds.leadRight, odds.jobs)) }}</strong>. They move the rates for their model and ink;
        the book counts as {{ odds.bookWorthJobs }} jobs beside them.
      </p>
      <div class="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.3fr)]">
        <section class="panel" aria-labelledby="tenths-title">
          <h2 id="tenths-title" class="text-xl">Predicted against confirmed</h2>
          <p class="mb-2 text-soft">A cause given odds in a tenth should be right that often.</p>
          <table class="w-full">
            <thead>
              <tr class="border-b border-ink text-left text-sm">
                <th class="py-1">Odds given</th>
                <th class="py-1 pl-2 text-right sm:pl-4">Times</th>
                <th class="py-1 pl-2 text-right sm:pl-4">Predicted</th>
                <th class="py-1 pl-2 text-right sm:pl-4">Confirmed</th>
                <th class="hidden w-24 py-1 pl-3 sm:table-cell"><span class="sr-only">Drawn</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="t in odds.tenths" :key="t.fromRatio" class="border-b border-line">
                <td class="py-1 whitespace-nowrap">
                  {{ Math.round(t.fromRatio * 100) }} to {{ Math.round(t.fromRatio * 100) + 10 }} %
                </td>
                <td class="py-1 pl-2 text-right sm:pl-4 font-mono">{{ t.given }}</td>
                <td class="py-1 pl-2 text-right sm:pl-4 font-mono">
                  {{ t.given ? percent(ratio(t.foretold, t.given)) : '–' }}
                </td>
                <td class="py-1 pl-2 text-right sm:pl-4 font-mono font-bold">
                  {{ t.given ? percent(ratio(t.confirmed, t.given)) : '–' }}
                </td>
                <td class="hidden py-1 pl-3 sm:table-cell">
                  <svg v-if="t.given" viewBox="0 0 100 16" class="block h-4 w-full" aria-hidden="true">
                    <rect width="100" height="16" class="fill-rail" />
                    <rect :width="100 * ratio(t.confirmed, t.given)" y="4" height="8" class="fill-go" />
                    <path :d="`M${100 * ratio(t.foretold, t.given)} 0V16`" class="stroke-ink" stroke-width="3" />
                  </svg>
                </td>
              </tr>
            </tbody>
          </table>
          <p class="mt-1 text-sm text-soft">Bar: confirmed. Line: predicted.</p>
        </section>
        <section class="panel" aria-labelledby="tests-title">
          <h2 id="tests-title" class="text-xl">Tests that earned their minutes</h2>
          <p class="mb-2 text-soft">
            Bits: how much an answer raised the cause that was confirmed. One bit doubles its odds.
          </p>
          <table class="w-full">
            <thead>
              <tr class="border-b border-ink text-left text-sm">
                <th class="py-1">Test</th>
                <th class="py-1 pl-2 text-right sm:pl-4">Times</th>
                <th class="py-1 pl-2 text-right sm:pl-4">Minutes</th>
                <th class="py-1 pl-2 text-right sm:pl-4">Bits a minute</th>
                <th class="py-1 pl-2 text-right sm:pl-4">Misled</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="t in odds.tests" :key="t.finding" class="border-b border-line align-top">
                <td class="py-1 pr-2 break-words">{{ t.name }}</td>
                <td class="py-1 pl-2 text-right sm:pl-4 font-mono">{{ t.times }}</td>
                <td class="py-1 pl-2 text-right sm:pl-4 font-mono">{{ withUnit(t.minutes, 'min') }}</td>
                <td class="py-1 pl-2 text-right sm:pl-4 font-mono font-bold">{{ t.bitsPerMinute.toFixed(2) }}</td>
                <td class="py-1 pl-2 text-right sm:pl-4 font-mono">{{ t.misled }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </template>
  </LoadState>
</template>
