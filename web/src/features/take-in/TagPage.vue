<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, dataOf } from '@/shared/api/client'
import { moment } from '@/shared/format'
import LoadState from '@/shared/ui/LoadState.vue'

const props = defineProps<{
  /** Number of the job. */
  id: number
}>()
const query = useQuery({
  queryKey: ['tag', props.id],
  queryFn: () => dataOf(api.GET('/api/jobs/{id}/tag', { params: { path: { id: props.id } } })),
})
const print = () => window.print()
</script>

<template>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the tag" @retry="query.refetch()">
    <div v-if="query.data.value" class="space-y-4">
      <div class="no-print flex flex-wrap gap-2">
        <button type="button" class="press press-main" @click="print">Print the tag</button>
        <RouterLink class="press" :to="`/bench/${id}`">To the bench</RouterLink>
      </div>
      <section
        class="max-w-[148mm] rounded border-2 border-black bg-white p-4 text-black"
        aria-label="Tag"
        data-testid="tag"
      >
        <div class="flex items-start gap-4">
          <div class="min-w-0 flex-1">
            <p class="flex items-center gap-3">
              <span class="size-5 shrink-0 rounded-full border-2 border-black" aria-hidden="true" />
              <span class="font-mono text-5xl font-bold">{{ query.data.value.tag }}</span>
            </p>
            <h1 class="mt-2 text-2xl">{{ query.data.value.machine }}</h1>
            <p class="font-mono">serial {{ query.data.value.serial }}</p>
            <p class="mt-1 font-bold">{{ query.data.value.customer }}</p>
            <p>“{{ query.data.value.words }}”</p>
          </div>
          <!-- The picture is made by our own server from this job's address alone. -->
          <div
            class="w-40 shrink-0"
            role="img"
            :aria-label="`Code that opens ${query.data.value.link}`"
            v-html="query.data.value.qrSvg"
          />
        </div>
        <dl class="mt-3 grid grid-cols-3 gap-2 border-t-2 border-black pt-2">
          <div>
            <dt class="text-sm">Taken in</dt>
            <dd class="font-bold">{{ moment(query.data.value.openedAt) }}</dd>
          </div>
          <div>
            <dt class="text-sm">Promised for</dt>
            <dd class="font-bold">
              {{ query.data.value.promise ? moment(query.data.value.promise) : 'not promised' }}
            </dd>
          </div>
          <div>
            <dt class="text-sm">With it</dt>
            <dd class="font-bold">{{ query.data.value.accessories || 'nothing' }}</dd>
          </div>
        </dl>
      </section>
    </div>
  </LoadState>
</template>
