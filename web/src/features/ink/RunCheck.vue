<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { typedNumber, withUnit } from '@/shared/format'

const props = defineProps<{
  /** Number of the job. */
  job: number
  /** Its version: the answer is made anew with it. */
  version: number
}>()
const said = ref({ pages: '100', cover: '5', size: '1' })
const sizes = [
  { id: '1', name: 'A4' },
  { id: '2', name: 'A3' },
  { id: '4', name: 'A2' },
  { id: '8', name: 'A1' },
  { id: '16', name: 'A0' },
]
const asked = computed(() => {
  const pages = typedNumber(said.value.pages)
  const cover = typedNumber(said.value.cover)
  return pages !== null && cover !== null && Number.isInteger(pages) && pages >= 1 && cover > 0 && cover <= 100
    ? { pages, cover, size: Number(said.value.size) }
    : null
})
const query = useQuery({
  queryKey: computed(() => ['job', props.job, 'ink', 'run', asked.value, props.version]),
  enabled: computed(() => asked.value !== null),
  queryFn: () =>
    dataOf(api.GET('/api/jobs/{id}/ink/run', { params: { path: { id: props.job }, query: asked.value! } })),
  placeholderData: (before) => before,
})
</script>

<template>
  <section class="panel no-print p-3" aria-labelledby="run-title" data-testid="run-check">
    <h2 id="run-title" class="text-base">Will it last the run?</h2>
    <div class="mt-1 flex flex-wrap gap-2">
      <label class="w-20">Pages <input v-model="said.pages" class="field font-mono" inputmode="numeric" /></label>
      <label class="w-24"
        >Size
        <select v-model="said.size" class="field">
          <option v-for="s in sizes" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select></label
      >
      <label class="w-28">Cover, % <input v-model="said.cover" class="field font-mono" inputmode="decimal" /></label>
    </div>
    <div aria-live="polite">
      <p v-if="!asked" class="mt-2 text-stop">Whole pages from 1, and a coverage above 0 and up to 100 %.</p>
      <template v-else-if="query.data.value">
        <p
          class="mt-2 border-l-4 px-3 py-1.5"
          :class="query.data.value.lasts ? 'border-go bg-go-tint' : 'border-stop bg-stop-tint'"
        >
          {{ query.data.value.says }}
        </p>
        <p v-if="query.data.value.after" class="mt-1.5 border-l-4 border-line px-3 py-1">
          {{ query.data.value.after }}
        </p>
        <p class="mt-1 text-sm text-soft">
          A page takes {{ withUnit(query.data.value.pageMl, 'ml', 3) }} of each channel. Coverage is that of the fullest
          channel, or of each alike.
        </p>
      </template>
    </div>
  </section>
</template>
