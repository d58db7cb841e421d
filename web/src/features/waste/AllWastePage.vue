<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, dataOf } from '@/shared/api/client'
import { day, withUnit } from '@/shared/format'
import LoadState from '@/shared/ui/LoadState.vue'

const query = useQuery({ queryKey: ['waste'], queryFn: () => dataOf(api.GET('/api/waste')) })
</script>

<template>
  <h1 class="mb-1 text-2xl">Waste of all machines</h1>
  <p class="mb-3 text-soft">By which is next: its counter, its store, or its bottle.</p>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="waste" @retry="query.refetch()">
    <p v-if="!query.data.value?.length" class="panel p-3">
      No store was told of yet. On a machine’s page “Waste”, key U at the bench, its weighings and resets are kept.
    </p>
    <ul v-else class="panel divide-y divide-line px-3" data-testid="all-waste">
      <li v-for="m in query.data.value" :key="m.machine" class="flex flex-wrap items-baseline gap-x-4 py-2">
        <RouterLink class="min-w-0 flex-1 basis-60 font-bold underline underline-offset-3" :to="`/records/${m.machine}`"
          >{{ m.model }}, {{ m.serial }}</RouterLink
        >
        <span class="text-soft">{{ m.customer }}</span>
        <span class="font-mono">{{ m.counter === null ? 'not read' : `counter ${Math.round(m.counter)} %` }}</span>
        <span v-if="m.roomG !== null" class="font-mono">room {{ withUnit(Math.max(0, m.roomG), 'g') }}</span>
        <span :class="m.next ? 'font-bold' : 'text-soft'"
          >{{ m.first === 'store' ? 'store' : 'counter' }} {{ m.next ? day(m.next) : 'not known' }}</span
        >
        <span v-if="m.bottleOn">bottle {{ day(m.bottleOn) }}</span>
        <span v-if="m.unserviced" class="font-bold text-stop">reset without service</span>
      </li>
    </ul>
  </LoadState>
</template>
