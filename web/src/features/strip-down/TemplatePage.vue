<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import LoadState from '@/shared/ui/LoadState.vue'
import PaperHead from '@/shared/ui/PaperHead.vue'
import HoleDrawing from './HoleDrawing.vue'

const props = defineProps<{
  /** The model. */
  model: string
}>()
const query = useQuery({
  queryKey: ['template', () => props.model],
  queryFn: () => dataOf(api.GET('/api/guides/template/{model}', { params: { path: { model: props.model } } })),
})
const drawing = computed(() => query.data.value ?? null)
const [wide, high, check, card] = [170, 120, 100, 85.6]
const least = 60
const kept = 'side-bench-mm'
// As wide as a card that everybody has: a screen does not know its own size.
const cardPx = ref(Number(localStorage.getItem(kept)) || 324)
watch(cardPx, (px) => localStorage.setItem(kept, String(px)))
const mm = computed(() => cardPx.value / card)
const print = () => window.print()
</script>

<template>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the template" @retry="query.refetch()">
    <article v-if="drawing?.hole" data-testid="template">
      <p class="no-print flex flex-wrap items-center gap-3">
        <RouterLink to="/guides" class="inline-flex min-h-11 items-center underline underline-offset-3"
          >Guides</RouterLink
        >
        <button type="button" class="press press-main" @click="print">Print at full size</button>
      </p>
      <PaperHead :about="drawing.model" />
      <h1 class="text-2xl">Exit hole, at full size</h1>
      <p>
        In the {{ drawing.hole.wall }}: ⌀ {{ drawing.hole.diameterMm }} mm, its middle {{ drawing.hole.upMm }} mm over
        the lower edge and {{ drawing.hole.inMm }} mm from the {{ drawing.hole.edge }} edge, seen from outside. Behind
        it, clear of {{ drawing.hole.clear }}.
      </p>
      <ul class="my-2 border-l-4 border-stop bg-stop-tint px-3 py-1.5">
        <li>Lead out. Eye cover on. Nothing behind the wall: look again before you drill.</li>
        <li>Offer the fitting up against the mark before anything is drilled: it cannot be undone.</li>
      </ul>
      <div class="no-print panel p-3">
        <label class="block" for="card-px"
          >Lay a card of {{ card }} mm on the bar and draw the bar to its length; then all below is at full size.</label
        >
        <div class="my-2 h-8 border-2 border-ink bg-rail" :style="{ width: `${cardPx}px` }" data-testid="card-bar" />
        <input id="card-px" v-model.number="cardPx" class="h-11 w-full" type="range" :min="least" max="900" step="1" />
      </div>
      <div class="overflow-x-auto" tabindex="0" aria-label="Template">
        <HoleDrawing
          class="mt-3 max-w-none border border-line print:hidden"
          :drawing="drawing"
          :wide="wide"
          :high="high"
          :style="{ width: `${wide * mm}px`, height: `${high * mm}px` }"
        />
      </div>
      <HoleDrawing
        class="mt-3 hidden max-w-none print:block"
        :drawing="drawing"
        :wide="wide"
        :high="high"
        :style="{ width: `${wide}mm`, height: `${high}mm` }"
      />
      <p class="mt-3 hidden print:block">
        Scale check: this line is {{ check }} mm. If it is not, print again without fitting it to the page.
        <span class="mt-1 block border-t-2 border-x-2 border-ink" :style="{ width: `${check}mm`, height: '4mm' }" />
      </p>
    </article>
  </LoadState>
</template>
