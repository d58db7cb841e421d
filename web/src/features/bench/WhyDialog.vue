<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { percent } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import LoadState from '@/shared/ui/LoadState.vue'

const props = defineProps<{
  /** The job. */
  jobId: number
  /** The thread looked at. */
  thread: number
  /** The cause; empty when closed. */
  cause: string
}>()
const emit = defineEmits<{ close: [] }>()
const query = useQuery({
  queryKey: ['why', () => props.jobId, () => props.thread, () => props.cause],
  queryFn: () =>
    dataOf(
      api.GET('/api/jobs/{id}/why/{cause}', {
        params: { path: { id: props.jobId, cause: props.cause }, query: { thread: props.thread } },
      }),
    ),
  enabled: computed(() => props.cause !== ''),
  staleTime: 0,
})
const times = (likelihood: number, average: number) => (average > 0 ? (likelihood / average).toFixed(2) : '–')
const likely = (l: { kind: string; likelihood: number; average: number }) => {
  if (l.kind !== 'finding') return `× ${l.likelihood.toFixed(2)}`
  // A number told with the answer can weigh more than any answer alone.
  if (l.likelihood > 1 || l.average > 1) return 'The answer, and the number told with it'
  return `${percent(l.likelihood)} likely under it, ${percent(l.average)} on average`
}
</script>

<template>
  <AppDialog :open="cause !== ''" :title="query.data.value?.name ?? 'The arithmetic'" wide @close="emit('close')">
    <LoadState
      :pending="query.isPending.value"
      :error="query.error.value"
      what="the arithmetic"
      @retry="query.refetch()"
    >
      <div v-if="query.data.value" data-testid="why">
        <table class="w-full">
          <caption class="sr-only">
            Fact by fact
          </caption>
          <thead>
            <tr class="border-b border-ink text-left text-sm">
              <th class="py-1 pr-2">Fact</th>
              <th class="py-1 pr-5 text-right">Odds times</th>
              <th class="py-1 text-right">Then</th>
            </tr>
          </thead>
          <tbody>
            <tr class="border-b border-line">
              <td class="py-1 pr-2">By the book's rate on this machine, for this complaint</td>
              <td></td>
              <td class="py-1 text-right font-mono">{{ percent(query.data.value.startRatio) }}</td>
            </tr>
            <tr v-for="(l, i) in query.data.value.lines" :key="i" class="border-b border-line align-top">
              <td class="py-1 pr-2">
                <strong>{{ l.says }}</strong>
                <span class="block text-sm text-soft">{{ likely(l) }}. {{ l.why }}</span>
              </td>
              <td class="py-1 pr-5 text-right font-mono">{{ times(l.likelihood, l.average) }}</td>
              <td class="py-1 text-right font-mono">{{ percent(l.afterRatio) }}</td>
            </tr>
          </tbody>
        </table>
        <h3 class="mt-3">What would change the mind</h3>
        <p v-if="query.data.value.changes.length === 0" class="text-soft">
          No single answer that is left would lower it much.
        </p>
        <ul class="space-y-1">
          <li v-for="c in query.data.value.changes" :key="c.finding">
            <strong>{{ c.answer }}</strong> to “{{ c.finding }}” ({{ percent(c.chanceRatio) }} likely): it falls to
            {{ percent(c.thenRatio) }}, and {{ c.leads.toLowerCase() }} leads with {{ percent(c.leadsRatio) }}.
          </li>
        </ul>
      </div>
    </LoadState>
  </AppDialog>
</template>
