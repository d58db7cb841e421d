<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf, Refused, type Api } from '@/shared/api/client'
import { typedNumber, withUnit } from '@/shared/format'
import { coverOf } from './useInk'

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
    ? {
        pages,
        cover,
        size: Number(said.value.size),
        covers: covers.value.map((c) => `${c.slot}:${c.pct.toFixed(2)}`).join(','),
      }
    : null
})
const covers = ref<Api<'CoverView'>[]>([])
const pictured = ref('')
// The picture is measured and forgotten; its coverage stands until another is given.
async function measure(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  try {
    covers.value = await coverOf(props.job, file)
    pictured.value = ''
  } catch (error) {
    covers.value = []
    pictured.value = error instanceof Refused ? error.body.detail : 'The picture could not be measured.'
  }
}
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
      <label v-if="!covers.length" class="w-28"
        >Cover, % <input v-model="said.cover" class="field font-mono" inputmode="decimal"
      /></label>
    </div>
    <label class="press mt-2 w-full cursor-pointer justify-center focus-within:outline-3"
      >{{ covers.length ? 'Measure another page' : 'Or measure a page’s picture' }}
      <input class="sr-only" type="file" accept="image/png,image/jpeg" data-testid="page-picture" @change="measure" />
    </label>
    <p v-if="pictured" class="mt-1 border-l-4 border-stop bg-stop-tint px-3 py-1" role="alert">{{ pictured }}</p>
    <p v-if="covers.length" class="mt-1 text-sm" data-testid="covers">
      <template v-for="(c, i) in covers" :key="c.slot"
        >{{ i ? ', ' : '' }}{{ c.ink }} <b class="font-mono">{{ withUnit(c.pct, '%', 1) }}</b></template
      >.
      <button type="button" class="press ml-2" @click="covers = []">Type it instead</button>
    </p>
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
          A page takes {{ withUnit(query.data.value.pageMl, 'ml', 3) }} of
          {{ covers.length ? 'its fullest channel' : 'each channel' }}.
          {{
            covers.length
              ? 'Split over the inks by house defaults: a measured run is better.'
              : 'Coverage is that of the fullest channel, or of each alike.'
          }}
        </p>
      </template>
    </div>
  </section>
</template>
