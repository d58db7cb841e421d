<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { withUnit } from '@/shared/format'
import LoadState from '@/shared/ui/LoadState.vue'

const query = useQuery({ queryKey: ['minutes'], queryFn: () => dataOf(api.GET('/api/day/minutes')) })
const groups = computed(() =>
  [
    { what: 'step', title: 'Steps', planned: 'Planned: the book’s ×' },
    { what: 'model', title: 'Models', planned: 'and ×' },
    { what: 'person', title: 'People', planned: 'and ×' },
  ].map((g) => ({ ...g, rows: (query.data.value?.rows ?? []).filter((r) => r.what === g.what) })),
)
</script>

<template>
  <h1 class="mb-1 text-2xl">How our minutes have done</h1>
  <p class="mb-3 max-w-[75ch] text-soft">
    From one line of a person to their next on the same job. What is much shorter than the book was told later, what is
    much longer had a break in it: neither counts. Few lines move the plan little.
  </p>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the minutes" @retry="query.refetch()">
    <p v-if="!query.data.value?.lines" class="panel p-3">Nothing was told yet: the plan takes the book’s minutes.</p>
    <div v-else class="grid items-start gap-3" data-testid="minutes">
      <section
        v-for="g in groups"
        :key="g.what"
        class="panel overflow-x-auto p-3"
        :aria-labelledby="`minutes-${g.what}`"
      >
        <h2 :id="`minutes-${g.what}`" class="text-lg">{{ g.title }}</h2>
        <table class="w-full">
          <thead>
            <tr class="text-left text-sm text-soft">
              <th class="font-normal">What</th>
              <th class="hidden pl-4 text-right font-normal sm:table-cell">Told</th>
              <th class="pl-4 text-right font-normal">The book says</th>
              <th class="pl-4 text-right font-normal">It took</th>
              <th class="pl-4 text-right font-normal">{{ g.planned }}</th>
              <th class="hidden pl-4 text-right font-normal sm:table-cell">Nine of ten: of that ×</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in g.rows" :key="r.name" class="border-t border-line">
              <th class="py-1 pr-2 text-left font-normal">{{ r.name }}</th>
              <td class="hidden pl-4 text-right font-mono sm:table-cell">{{ r.count }}</td>
              <td class="pl-4 text-right font-mono whitespace-nowrap">{{ withUnit(r.book, 'min') }}</td>
              <td class="pl-4 text-right font-mono whitespace-nowrap">{{ withUnit(r.taken, 'min') }}</td>
              <td class="pl-4 text-right font-mono font-bold">{{ r.factor.toFixed(2) }}</td>
              <td class="hidden pl-4 text-right font-mono whitespace-nowrap sm:table-cell">
                {{ r.low.toFixed(2) }} to {{ r.high.toFixed(2) }}
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
  </LoadState>
</template>
