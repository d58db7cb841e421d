<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref, watchEffect } from 'vue'
import { useJob } from '@/features/bench'
import { api, dataOf } from '@/shared/api/client'
import { loadAnew } from '@/shared/state/loadAnew'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import HandOverSheet from './HandOverSheet.vue'

const props = defineProps<{
  /** Number of the job. */
  id: number
}>()
const query = useQuery({
  queryKey: ['hand-over', props.id],
  queryFn: () => dataOf(api.GET('/api/jobs/{id}/hand-over', { params: { path: { id: props.id } } })),
  staleTime: 0,
})
const queries = useQueryClient()
const desk = useJob(props.id)
const to = ref('')
const charge = ref<number | null>(null)
watchEffect(() => {
  const sheet = query.data.value
  if (!sheet) return
  if (!to.value) to.value = sheet.customer
  charge.value ??= Math.ceil(sheet.total)
})
const print = () => window.print()

async function handOver() {
  if (await desk.handOver({ to: to.value, charge: charge.value ?? 0 })) {
    await loadAnew(queries, { queryKey: ['hand-over', props.id] })
  }
}
</script>

<template>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the sheet" @retry="query.refetch()">
    <template v-if="query.data.value">
      <div class="no-print mb-3 flex flex-wrap gap-2">
        <button type="button" class="press press-main" @click="print">Print the sheet</button>
        <RouterLink class="press" :to="`/bench/${id}`">Back to the bench</RouterLink>
      </div>
      <ProblemNote
        class="no-print mb-3"
        :problem="desk.problem.value"
        :asking="desk.asking.value"
        :can-retry="desk.canRetry.value"
        @retry="desk.retry"
        @dismiss="desk.dismiss"
      />
      <div class="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_300px]">
        <HandOverSheet :sheet="query.data.value" />
        <form
          v-if="query.data.value.closed && !query.data.value.handedOver"
          class="panel no-print space-y-3"
          @submit.prevent="handOver"
        >
          <h2 class="text-xl">Hand it over</h2>
          <label class="block"
            ><span class="font-bold">To</span><input v-model="to" class="field" maxlength="120"
          /></label>
          <label class="block">
            <span class="font-bold">Charged, {{ query.data.value.currency }}</span>
            <input v-model.number="charge" type="number" min="0" step="0.01" class="field font-mono" />
          </label>
          <button type="submit" class="press press-main" :disabled="desk.busy.value">The machine goes home</button>
        </form>
        <p v-else-if="query.data.value.handedOver" class="panel no-print text-go">✓ Handed over.</p>
        <p v-else class="panel no-print text-soft">The job is still open: this is the sheet as it would be now.</p>
      </div>
    </template>
  </LoadState>
</template>
