<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, dataOf } from '@/shared/api/client'
import { withUnit } from '@/shared/format'
import LoadState from '@/shared/ui/LoadState.vue'
import PaperHead from '@/shared/ui/PaperHead.vue'
import ActDrawing from './ActDrawing.vue'
import { seenFrom } from './acts'

const props = defineProps<{
  /** The guide. */
  id: string
}>()
const route = useRoute()
const router = useRouter()
const model = computed(() => (typeof route.query.model === 'string' ? route.query.model : ''))
const query = useQuery({
  queryKey: ['guide', () => props.id, model],
  // The page stays, with its focus, until the other model's steps are here.
  placeholderData: keepPreviousData,
  queryFn: () =>
    dataOf(
      api.GET('/api/guides/steps/{guide}', {
        params: { path: { guide: props.id }, query: { model: model.value || undefined } },
      }),
    ),
})
const guide = computed(() => query.data.value)
const choose = (event: Event) => router.replace({ query: { model: (event.target as HTMLSelectElement).value } })
const print = () => window.print()
</script>

<template>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the guide" @retry="query.refetch()">
    <article v-if="guide" data-testid="guide-paper">
      <p class="no-print flex flex-wrap items-center gap-3">
        <RouterLink to="/guides" class="inline-flex min-h-11 items-center underline underline-offset-3"
          >Guides</RouterLink
        >
        <label class="flex items-center gap-2"
          >On the
          <select class="field w-auto" :value="guide.modelId" @change="choose">
            <option v-for="m in guide.models" :key="m.id" :value="m.id">{{ m.name }}</option>
          </select></label
        >
        <button type="button" class="press" @click="print">Print</button>
      </p>
      <PaperHead :about="guide.model" />
      <h1 class="text-2xl">{{ guide.name }}</h1>
      <p class="text-soft">
        {{ guide.purpose }} {{ guide.model }}, version {{ guide.version }}. Steps of the way in are those of a closed
        machine.
      </p>
      <p v-if="guide.tools.length || guide.needs.length" class="mt-1">
        Lay out: {{ [...guide.tools, ...guide.needs].join(', ') }}.
      </p>
      <p v-for="w in guide.windows" :key="w.id" class="mt-1" :class="w.fits ? '' : 'font-bold text-stop'">
        Before {{ w.name }}: {{ w.minutes === null ? 'no limit' : withUnit(w.minutes, 'min', 1) }}, hands need
        {{ withUnit(w.handsMin, 'min', 1) }}{{ w.fits ? '' : '; it does not fit' }}. Have ready:
        {{ w.ready.join(', ') }}.
      </p>
      <div v-if="guide.leaveAlone.length" class="mt-2 border-l-4 border-stop bg-stop-tint px-3 py-2">
        <strong>Leave alone:</strong> {{ guide.leaveAlone.join(' ') }}
      </div>
      <ol class="panel mt-3 divide-y divide-line">
        <li
          v-for="a in guide.acts"
          :key="a.key"
          class="grid grid-cols-[2.2rem_minmax(0,1fr)] gap-x-2 py-1.5"
          :class="a.kind === 'off' ? 'pl-6' : ''"
        >
          <span class="font-mono text-soft">{{ a.number }}</span>
          <div>
            <p v-for="c in a.cautions" :key="c" class="font-bold text-stop">{{ c }}</p>
            <p>
              <strong>{{ a.title }}</strong><span v-if="a.view" class="text-soft"> · {{ seenFrom(a.view) }}</span>
            </p>
            <p v-if="a.text">{{ a.text }}</p>
            <ActDrawing v-if="a.drawing" :drawing="a.drawing" />
            <p v-if="a.sign" class="text-soft">Expect: {{ a.sign }}</p>
            <p v-if="a.measure" class="text-soft">{{ a.measure.label }}: ________ {{ a.measure.unit }}</p>
            <p v-for="b in a.branches" :key="b.id" class="text-soft">{{ b.label }}: {{ b.text }}</p>
            <p v-if="a.differs" class="text-soft">{{ a.differs }}</p>
          </div>
        </li>
      </ol>
    </article>
  </LoadState>
</template>
