<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, dataOf } from '@/shared/api/client'
import { useBoard } from '@/shared/state/useBoard'
import LoadState from '@/shared/ui/LoadState.vue'

const route = useRoute()
const typed = ref(String(route.query.q ?? ''))
const query = useQuery({
  queryKey: ['find', typed],
  queryFn: () => dataOf(api.GET('/api/find', { params: { query: { q: typed.value } } })),
  enabled: computed(() => typed.value.trim() !== ''),
  placeholderData: (last) => last,
})
const to = (kind: string, id: number, title: string) =>
  kind === 'job' ? `/bench/${id}` : kind === 'machine' ? `/records/${id}` : `/records?q=${encodeURIComponent(title)}`
const { data: board } = useBoard()
const here = computed(() => board.value?.jobs ?? [])
const searching = computed(() => typed.value.trim() !== '')
</script>

<template>
  <h1 class="mb-3 text-2xl">Records</h1>
  <section class="panel">
    <label for="records-find" class="mb-1 block font-bold"
      >Find a machine, a customer, a tag, a lot, a part number, a cause or words of a complaint</label
    >
    <input id="records-find" v-model="typed" type="search" class="field text-lg" autocomplete="off" />
    <template v-if="!searching">
      <p class="mt-3 text-soft">Every machine that was ever here has its record, for life. Here now:</p>
      <ul class="mt-2 divide-y divide-line" aria-label="Here now">
        <li v-for="j in here" :key="j.id">
          <RouterLink
            :to="`/bench/${j.id}`"
            class="grid min-h-12 grid-cols-[5rem_1fr] items-center gap-x-3 py-1 hover:bg-paper"
          >
            <span class="font-mono font-bold">{{ j.tag }}</span>
            <span
              ><strong>{{ j.machine }}</strong
              ><span class="block text-sm text-soft">{{ j.headline }}</span></span
            >
          </RouterLink>
        </li>
      </ul>
    </template>
    <LoadState
      v-else
      :pending="query.isPending.value"
      :error="query.error.value"
      what="what fits"
      @retry="query.refetch()"
    >
      <p v-if="query.data.value?.length === 0" class="mt-3">Nothing fits “{{ typed }}”.</p>
      <ul class="mt-2 divide-y divide-line" aria-label="Found">
        <li v-for="f in query.data.value" :key="f.kind + f.id">
          <RouterLink
            :to="to(f.kind, f.id, f.title)"
            class="grid min-h-12 grid-cols-[5rem_1fr] items-center gap-x-3 py-1 hover:bg-paper"
            @click="f.kind === 'customer' && (typed = f.title)"
          >
            <span class="text-sm text-soft">{{ f.kind }}</span>
            <span
              ><strong>{{ f.title }}</strong
              ><span class="block text-sm text-soft">{{ f.detail }}</span></span
            >
          </RouterLink>
        </li>
      </ul>
    </LoadState>
  </section>
</template>
