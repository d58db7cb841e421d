<script setup lang="ts">
import { computed } from 'vue'
import { useCrafts } from '@/shared/crafts/craft'
import LoadState from '@/shared/ui/LoadState.vue'
import { group, useBook, type BookLine } from './useBook'

const { query, typed, kind, found } = useBook()
const MOST = 120
const of = useCrafts().flatMap((craft) => craft.bookKinds)
const kinds = [
  { id: '', name: 'All' },
  { id: 'cause', name: 'Causes' },
  { id: 'code', name: 'Codes' },
  { id: 'finding', name: 'Findings and tests' },
  { id: 'repair', name: 'Repairs' },
  ...of,
]
const count = (id: string) => (query.data.value?.lines ?? []).filter((l) => !id || group(l) === id).length
const shown = computed(() => found.value.slice(0, MOST))
const link = (l: BookLine) => {
  if (l.kind === 'cause') return `/guides/causes/${l.id}`
  const craft = of.find((kind) => kind.id === l.kind)
  if (craft) return craft.to(l.id)
  if (l.kind !== 'code') return null
  const [model = '', ...code] = l.id.split('/')
  return `/guides/codes/${model}/${encodeURIComponent(code.join('/'))}`
}
</script>

<template>
  <div class="mb-3 flex flex-wrap items-center gap-3">
    <h1 class="text-2xl">The fault book</h1>
    <RouterLink class="press" to="/models">Models</RouterLink>
  </div>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the book" @retry="query.refetch()">
    <div class="mb-3 flex flex-wrap items-center gap-2">
      <label class="flex min-w-64 flex-1 items-center gap-2">
        <span class="font-bold">Look for</span>
        <input v-model="typed" class="field flex-1" type="search" placeholder="vent, contacts, a code" />
      </label>
      <div class="flex flex-wrap gap-1.5" role="group" aria-label="Kind">
        <button
          v-for="k in kinds"
          :key="k.id"
          type="button"
          class="press"
          :class="kind === k.id ? 'press-main' : ''"
          :aria-pressed="kind === k.id"
          @click="kind = k.id"
        >
          {{ k.name }} <span class="font-mono font-normal">{{ count(k.id) }}</span>
        </button>
      </div>
    </div>
    <p v-if="found.length === 0" class="panel text-soft">Nothing in the book has these words.</p>
    <ul v-else class="panel divide-y divide-line py-1" data-testid="book-lines">
      <li v-for="l in shown" :key="l.kind + l.id" class="grid items-center gap-x-3 py-1 md:grid-cols-[1fr_180px_200px]">
        <RouterLink
          v-if="link(l)"
          :to="link(l)!"
          class="inline-flex min-h-11 items-center font-bold underline underline-offset-3"
        >
          {{ l.name }}
        </RouterLink>
        <span v-else class="inline-flex min-h-11 items-center font-bold">{{ l.name }}</span>
        <span class="text-soft">{{ l.kind }} · {{ l.station }}</span>
        <span class="text-soft">{{ l.detail }}</span>
      </li>
    </ul>
    <p v-if="found.length > MOST" class="mt-2 text-soft">{{ found.length - MOST }} more: type another word.</p>
    <p class="mt-2 text-sm text-soft">Book: {{ query.data.value?.version }}.</p>
  </LoadState>
</template>
