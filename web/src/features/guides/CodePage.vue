<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, dataOf } from '@/shared/api/client'
import LoadState from '@/shared/ui/LoadState.vue'

const props = defineProps<{
  /** The model. */
  model: string
  /** The code, as the panel shows it. */
  code: string
}>()
const query = useQuery({
  queryKey: ['code', props.model, props.code],
  queryFn: () =>
    dataOf(api.GET('/api/guides/codes/{model}/{code}', { params: { path: { model: props.model, code: props.code } } })),
})
</script>

<template>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the code" @retry="query.refetch()">
    <article v-if="query.data.value">
      <RouterLink to="/guides" class="inline-flex min-h-11 items-center underline underline-offset-3"
        >The fault book</RouterLink
      >
      <h1 class="text-2xl">
        <span class="font-mono">{{ query.data.value.code }}</span> on the {{ query.data.value.model }}
      </h1>
      <p class="mb-3">The panel says: “{{ query.data.value.says }}”. {{ query.data.value.means }}</p>
      <section class="panel" aria-labelledby="really-title">
        <h2 id="really-title" class="text-xl">What it may really be</h2>
        <p class="text-soft">A code is evidence, not a verdict: by rate, and by how often each shows this code.</p>
        <ul class="mt-2 divide-y divide-line">
          <li v-for="c in query.data.value.causes" :key="c.id" class="flex items-center justify-between gap-3">
            <RouterLink
              :to="`/guides/causes/${c.id}`"
              class="inline-flex min-h-11 items-center underline underline-offset-3"
              >{{ c.name }}</RouterLink
            >
            <span class="font-mono">{{ c.word }}</span>
          </li>
        </ul>
      </section>
    </article>
  </LoadState>
</template>
