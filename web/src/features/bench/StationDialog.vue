<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { percent, withUnit } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import LoadState from '@/shared/ui/LoadState.vue'
import type { Step } from './useJob'

const props = defineProps<{
  /** The job. */
  jobId: number
  /** The station; empty when closed. */
  station: string
  /** The thread looked at. */
  thread: number
}>()
const emit = defineEmits<{ close: []; choose: [step: Step]; why: [cause: string] }>()
const query = useQuery({
  queryKey: ['station', () => props.jobId, () => props.thread, () => props.station],
  queryFn: () =>
    dataOf(
      api.GET('/api/jobs/{id}/stations/{station}', {
        params: { path: { id: props.jobId, station: props.station }, query: { thread: props.thread } },
      }),
    ),
  enabled: computed(() => props.station !== ''),
  staleTime: 0,
})
</script>

<template>
  <AppDialog :open="station !== ''" :title="query.data.value?.name ?? 'Station'" wide @close="emit('close')">
    <LoadState :pending="query.isPending.value" :error="query.error.value" what="the station" @retry="query.refetch()">
      <h3>What can be wrong here</h3>
      <p v-if="query.data.value?.causes.length === 0" class="text-soft">Nothing that shows as this complaint.</p>
      <ul class="mb-3">
        <li v-for="c in query.data.value?.causes" :key="c.id" class="border-b border-line">
          <button
            type="button"
            class="flex min-h-11 w-full items-center justify-between gap-3 py-1 text-left"
            :data-cause="c.id"
            @click="emit('why', c.id)"
          >
            <span class="underline underline-offset-3">{{ c.name }}</span>
            <span class="font-mono">{{ percent(c.ratio) }}</span>
          </button>
        </li>
      </ul>
      <h3>Looks, tests and repairs</h3>
      <p v-if="query.data.value?.steps.length === 0" class="text-soft">None for this complaint.</p>
      <ul class="space-y-2">
        <li v-for="s in query.data.value?.steps" :key="s.id">
          <button
            type="button"
            class="press w-full justify-between text-left"
            :data-choose="s.id"
            @click="emit('choose', s)"
          >
            <span>{{ s.name }}<span v-if="s.told" class="font-normal text-soft"> (told before)</span></span>
            <span class="shrink-0 font-normal">
              <span v-if="s.held" class="font-bold text-stop">not now</span>
              <span v-if="s.tellsNothing" class="text-soft">says nothing of this complaint, is kept</span>
              {{ s.kind }}, {{ withUnit(s.minutes, 'min') }}
            </span>
          </button>
        </li>
      </ul>
    </LoadState>
  </AppDialog>
</template>
