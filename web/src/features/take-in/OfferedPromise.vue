<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { moment, percent } from '@/shared/format'

const props = defineProps<{
  /** The model; empty until it is told. */
  model: string
  /** The complaint; empty until it is told. */
  complaint: string
}>()
const emit = defineEmits<{ take: [at: string] }>()
const query = useQuery({
  queryKey: ['promise', () => props.model, () => props.complaint],
  enabled: () => props.model !== '' && props.complaint !== '',
  queryFn: () =>
    dataOf(api.GET('/api/day/promise', { params: { query: { model: props.model, complaint: props.complaint } } })),
})
const said = computed(() => query.data.value ?? null)
// The first ends of spans at which it is neither sure nor hopeless tell most; then the first that is sure.
const times = computed(() => {
  const all = said.value?.times ?? []
  const sure = all.findIndex((t) => t.holds >= said.value!.level)
  return all.slice(0, Math.max(1, sure + 1)).slice(-3)
})
</script>

<template>
  <!-- Its room is there before it is: a press below it does not move away under the finger. -->
  <div v-if="model && complaint" class="mt-1 min-h-32" data-testid="offered">
    <p v-if="!said" class="text-sm text-soft">
      {{ query.isError.value ? '' : 'Looking at what stands on the bench…' }}
    </p>
    <p v-else-if="said.offered">
      <button type="button" class="press" @click="emit('take', said.offered.at)">
        {{ moment(said.offered.at) }} holds {{ percent(said.offered.holds) }}
      </button>
      <span class="ml-2 text-sm text-soft">given what stands on the bench</span>
    </p>
    <p v-else class="text-wait">No time within the days planned holds {{ percent(said.level) }} of the time.</p>
    <ul v-if="said" class="mt-1 text-sm text-soft">
      <li v-for="t in times" :key="t.at">{{ moment(t.at) }}: holds {{ t.says }}</li>
    </ul>
    <p v-for="h in said?.harms ?? []" :key="h.tag" class="text-sm text-stop">
      {{ h.tag }}, {{ h.machine }} would hold {{ percent(h.after) }} instead of {{ percent(h.before) }}.
    </p>
  </div>
</template>
