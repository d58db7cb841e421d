<script setup lang="ts">
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { computed, watchEffect } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { useCrafts } from '@/shared/crafts/craft'
import { day } from '@/shared/format'
import LoadState from '@/shared/ui/LoadState.vue'
import DoubtNote from '@/features/bench/DoubtNote.vue'
import RecordList from '@/features/bench/RecordList.vue'

const props = defineProps<{
  /** Number of the machine. */
  id: number
}>()
const cards = useCrafts().flatMap((craft) => craft.machineCards)
const path = { id: props.id }
const machine = useQuery({
  queryKey: ['machine', props.id],
  queryFn: () => dataOf(api.GET('/api/machines/{id}', { params: { path } })),
})
const record = useInfiniteQuery({
  queryKey: ['record', props.id],
  queryFn: ({ pageParam }) =>
    dataOf(api.GET('/api/machines/{id}/record', { params: { path, query: pageParam ? { before: pageParam } : {} } })),
  initialPageParam: 0,
  getNextPageParam: (last) => last.older ?? undefined,
})
watchEffect(() => {
  if (machine.data.value) document.title = `${machine.data.value.machine}, ${machine.data.value.serial} · Side Bench`
})
const entries = computed(() => record.data.value?.pages.flatMap((p) => p.entries) ?? [])
const endings: Record<string, string> = {
  verified: 'mended, proved',
  'handed-back': 'handed back',
  unproved: 'not proved',
}
</script>

<template>
  <LoadState
    :pending="machine.isPending.value"
    :error="machine.error.value"
    what="the machine"
    @retry="machine.refetch()"
  >
    <template v-if="machine.data.value">
      <header class="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2">
        <h1 class="text-2xl">{{ machine.data.value.machine }}</h1>
        <span class="chip font-mono">serial {{ machine.data.value.serial }}</span>
        <span class="chip">{{ machine.data.value.kind }}</span>
        <span class="chip">{{ machine.data.value.customer }}</span>
        <span class="ml-auto flex gap-2">
          <a class="press" :href="`/api/machines/${id}/record.csv`" download>CSV</a>
          <a class="press" :href="`/api/machines/${id}/record.json`" download>JSON</a>
        </span>
      </header>
      <section
        v-if="machine.data.value.known.length || machine.data.value.doubts.length"
        class="panel mb-3"
        aria-labelledby="known-title"
      >
        <h2 id="known-title" class="text-base">As it stands</h2>
        <ul class="divide-y divide-line" data-testid="known">
          <li v-for="(k, i) in machine.data.value.known" :key="i" class="flex flex-wrap gap-x-3 py-1.5">
            <span class="min-w-0 flex-1">{{ k.says }}</span>
            <span v-if="k.since" class="text-sm text-soft">since {{ day(k.since) }}</span>
          </li>
        </ul>
        <DoubtNote :doubts="machine.data.value.doubts" />
      </section>
      <section class="panel mb-3" aria-labelledby="visits-title">
        <h2 id="visits-title" class="text-base">Visits</h2>
        <p v-if="machine.data.value.visits.length === 0" class="text-soft">None yet.</p>
        <ul class="divide-y divide-line">
          <li v-for="v in machine.data.value.visits" :key="v.jobId">
            <RouterLink
              :to="`/bench/${v.jobId}`"
              class="grid min-h-11 items-center gap-x-3 py-1 hover:bg-paper sm:grid-cols-[4rem_7rem_1fr_9rem]"
            >
              <span class="font-mono font-bold">{{ v.tag }}</span>
              <span class="text-sm">{{ day(v.openedAt) }}</span>
              <span class="truncate">{{ v.complaint }}: “{{ v.words }}”</span>
              <span class="text-sm">{{ v.closedHow ? endings[v.closedHow] : 'on the bench' }}</span>
            </RouterLink>
          </li>
        </ul>
      </section>
      <component :is="card" v-for="(card, i) in cards" :id="id" :key="i" />
      <section class="panel" aria-labelledby="record-title">
        <h2 id="record-title" class="text-base">Record, newest first</h2>
        <LoadState
          :pending="record.isPending.value"
          :error="record.error.value"
          what="the record"
          @retry="record.refetch()"
        >
          <RecordList :entries="entries" />
          <button v-if="record.hasNextPage.value" type="button" class="press mt-3" @click="record.fetchNextPage()">
            Older entries
          </button>
        </LoadState>
      </section>
    </template>
  </LoadState>
</template>
