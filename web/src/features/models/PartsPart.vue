<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, toRef } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import LoadState from '@/shared/ui/LoadState.vue'
import PartForm from './PartForm.vue'
import type { ModelDesk, ModelPageView } from './useModels'

const props = defineProps<{
  /** The model. */
  model: ModelPageView
  /** Who can be written to. */
  desk: ModelDesk
  /** Whether this person may change it. */
  mayTeach: boolean
}>()
const id = toRef(() => props.model.id)
const query = useQuery({
  queryKey: ['models', id, 'parts'],
  queryFn: () => dataOf(api.GET('/api/models/{model}/parts', { params: { path: { model: id.value } } })),
})
const parts = computed(() => query.data.value?.parts ?? [])
</script>

<template>
  <section class="panel" aria-labelledby="parts-title" data-testid="parts">
    <h2 id="parts-title" class="text-xl">All else it holds</h2>
    <p v-if="mayTeach" class="text-soft">
      A figure that is changed here is taken as told. What was measured is told under Figures, which keeps its band.
    </p>
    <LoadState
      :pending="query.isPending.value"
      :error="query.error.value"
      what="the rest of the model"
      @retry="query.refetch()"
    >
      <ul>
        <PartForm
          v-for="p in parts"
          :key="`${model.id} ${p.name}`"
          :part="p"
          :model="model"
          :desk="desk"
          :may-teach="mayTeach"
        />
      </ul>
    </LoadState>
  </section>
</template>
