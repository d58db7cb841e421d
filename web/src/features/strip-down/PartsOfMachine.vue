<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, dataOf } from '@/shared/api/client'
import { day } from '@/shared/format'

const props = defineProps<{
  /** Number of the machine. */
  id: number
}>()
const query = useQuery({
  queryKey: ['machine', props.id, 'parts'],
  queryFn: () => dataOf(api.GET('/api/machines/{id}/parts', { params: { path: { id: props.id } } })),
})
</script>

<template>
  <section v-if="query.data.value?.length" class="panel mb-3" aria-labelledby="parts-title" data-testid="parts">
    <h2 id="parts-title" class="text-base">Parts: when they were last off, and by whom</h2>
    <ul class="divide-y divide-line">
      <li
        v-for="p in query.data.value"
        :key="p.part"
        class="grid items-center gap-x-3 py-1 sm:grid-cols-[12rem_1fr_1fr]"
      >
        <strong>{{ p.name }}</strong>
        <span v-if="p.times"
          >{{ day(p.lastOff) }}, {{ p.by
          }}<span class="text-soft">
            · {{ p.times === 1 ? 'once' : `${p.times} times` }}{{ p.lastBack ? '' : ' · still off' }}</span
          ></span
        >
        <span v-else class="text-soft">never off by this record</span>
        <span v-if="p.renewedAt"
          >renewed {{ day(p.renewedAt) }} {{ p.renewedWith
          }}<span class="text-soft">
            · old one {{ p.oldFate }}{{ p.returnBy ? ` by ${day(p.returnBy)}` : ''
            }}{{ p.warrantyEnd ? ` · warranty to ${day(p.warrantyEnd)}` : '' }}</span
          ></span
        >
      </li>
    </ul>
  </section>
</template>
