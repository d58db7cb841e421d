<script setup lang="ts">
import { computed } from 'vue'
import { money, percent, withUnit } from '@/shared/format'
import type { HeadCare } from './useHeadCare'

const props = defineProps<{
  /** Head care of the job. */
  care: HeadCare
}>()
const rows = computed(() => (props.care.plan ? [props.care.plan, ...props.care.ways] : props.care.ways))
const own = computed(() => props.care.ways.filter((w) => w.ofShop))
</script>

<template>
  <section class="panel p-3" aria-labelledby="ways-title">
    <h2 id="ways-title" class="text-base">Other ways, on this head</h2>
    <div class="overflow-x-auto">
      <table class="mt-1 w-full">
        <thead>
          <tr class="text-left text-soft">
            <th class="py-1 pr-2 font-bold" scope="col">way</th>
            <th class="px-1 font-bold" scope="col">ink</th>
            <th class="px-1 font-bold" scope="col">hands</th>
            <th class="px-1 font-bold" scope="col">complete</th>
            <th class="px-1 text-right font-bold" scope="col">price</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in rows" :key="w.id" class="border-t border-line" :class="w.id === 'plan' ? 'bg-go-tint' : ''">
            <th
              scope="row"
              class="py-1.5 pr-2 pl-1 text-left leading-tight"
              :class="w.id === 'plan' ? '' : 'font-normal'"
            >
              {{ w.name }}
            </th>
            <td class="px-1 font-mono whitespace-nowrap">{{ withUnit(w.inkMl, 'ml', w.inkMl < 10 ? 1 : 0) }}</td>
            <td class="px-1 font-mono whitespace-nowrap">{{ withUnit(w.handsMin, 'min') }}</td>
            <td class="px-1 font-mono whitespace-nowrap">{{ percent(w.complete) }}</td>
            <td class="px-1 text-right font-mono whitespace-nowrap">{{ money(w.price, care.currency) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="mt-2 text-sm text-soft">
      Expected on this head, giving up included.
      <template v-if="own.length">
        The shop’s school is <b>{{ own.map((w) => w.name.toLowerCase()).join('; ') }}</b>: {{ own[0]!.why }} The plan
        weighs the same steps by what this head’s sheets say.
      </template>
    </p>
  </section>
</template>
