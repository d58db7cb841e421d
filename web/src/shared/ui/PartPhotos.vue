<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, toRef } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { day } from '@/shared/format'

const props = defineProps<{
  /** The model. */
  model: string
  /** The part, as the way in has it. */
  part: string
  /** A job whose own photos are shown elsewhere. */
  notJob?: number
}>()
const most = 3
const model = toRef(props, 'model')
const query = useQuery({
  queryKey: ['models', model, 'photos'],
  queryFn: () => dataOf(api.GET('/api/models/{model}/photos', { params: { path: { model: model.value } } })),
})
const photos = computed(() =>
  (query.data.value ?? []).filter((p) => p.part === props.part && p.job !== props.notJob).slice(0, most),
)
</script>

<template>
  <figure v-if="photos.length" class="mt-2" data-testid="earlier-photos">
    <figcaption class="text-sm text-soft">As it was on earlier jobs</figcaption>
    <div class="flex flex-wrap gap-2">
      <a
        v-for="p in photos"
        :key="p.picture"
        :href="`/api/jobs/${p.job}/pictures/${p.picture}`"
        target="_blank"
        rel="noopener"
        class="inline-block"
      >
        <img
          :src="`/api/jobs/${p.job}/pictures/${p.picture}`"
          :alt="`${p.label}, ${p.serial}, ${day(p.at)}`"
          loading="lazy"
          class="h-20 min-w-11 rounded border border-line object-cover"
        />
        <span class="block text-sm">{{ p.serial }}, {{ day(p.at) }}</span>
      </a>
    </div>
  </figure>
</template>
