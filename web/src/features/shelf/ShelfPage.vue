<script setup lang="ts">
import { computed, ref } from 'vue'
import { day, withUnit } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import { useShop } from '@/shared/state/useShop'
import KeyCap from '@/shared/ui/KeyCap.vue'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import CameDialog from './CameDialog.vue'
import LotsPanel from './LotsPanel.vue'
import WentDialog from './WentDialog.vue'
import { useShelf, type StockItem } from './useShelf'

const shop = useShop()
const { query, busy, problem } = shop
const session = useSession()
const desk = useShelf()
const { shelf } = desk
const adding = ref(false)
const going = ref<StockItem | null>(null)
const here = computed(() => shelf.value?.items.filter((i) => i.left > 1e-6) ?? [])
const gone = computed(() => shelf.value?.items.filter((i) => i.left <= 1e-6) ?? [])
const left = (i: StockItem) => withUnit(i.left, i.left === 1 ? i.unit.replace(/s$/, '') : i.unit, i.left % 1 ? 1 : 0)
const days = (n: number) => (n < 0 ? 'past' : n === 0 ? 'today' : n === 1 ? '1 day' : `${n} days`)
</script>

<template>
  <div class="mb-3 flex flex-wrap items-center gap-3">
    <h1 class="text-2xl">Shelf</h1>
    <button type="button" class="press press-main" :disabled="!session.mayBench" @click="adding = true">
      <KeyCap of="1" /> Something came
    </button>
    <RouterLink class="press" to="/waste">Waste of all machines</RouterLink>
  </div>
  <div
    v-if="shelf"
    class="mb-4 grid grid-cols-[minmax(0,1fr)] items-start gap-2 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]"
    data-testid="shelf"
  >
    <section class="panel p-3" aria-labelledby="stock-title">
      <h2 id="stock-title" class="text-base">What is here</h2>
      <p v-if="!here.length" class="text-soft">
        Nothing is told yet. Bottles go by what fills on record take; keys, boards and tools are counted one by one.
      </p>
      <ul v-else>
        <li v-for="i in here" :key="i.id" class="flex flex-wrap items-center gap-x-3 border-t border-line py-1.5">
          <span class="min-w-0 flex-1 basis-52"
            ><b>{{ i.name }}</b
            ><template v-if="i.for">, {{ i.for }}</template>
            <span class="block text-sm text-soft"
              >{{ i.kindName }}, came {{ day(i.at) }}<template v-if="i.lot">, lot {{ i.lot }}</template
              ><template v-for="s in i.spent" :key="s">; {{ s }}</template></span
            ></span
          >
          <span class="font-mono">{{ left(i) }}</span>
          <button type="button" class="press" :disabled="!session.mayBench" @click="going = i">
            It goes<span class="sr-only">: {{ i.name }}</span>
          </button>
        </li>
      </ul>
      <details v-if="gone.length" class="mt-2 border-t border-line pt-1.5">
        <summary class="min-h-11 cursor-pointer py-2">Used up, {{ gone.length }}</summary>
        <ul>
          <li v-for="i in gone" :key="i.id" class="py-1 text-soft">
            {{ i.name }}<template v-if="i.for">, {{ i.for }}</template
            ><template v-for="s in i.spent" :key="s">; {{ s }}</template>
          </li>
        </ul>
      </details>
    </section>
    <div class="grid grid-cols-[minmax(0,1fr)] gap-2">
      <section v-if="shelf.returns.length" class="panel p-3" aria-labelledby="returns-title" data-testid="returns">
        <h2 id="returns-title" class="text-base">Goes back until</h2>
        <ul>
          <li
            v-for="r in shelf.returns"
            :key="`${r.what} ${r.where}`"
            class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5"
          >
            <span class="min-w-0 flex-1 basis-48"
              ><b>{{ r.what }}</b
              >, {{ r.where }}<template v-if="r.seller">, to {{ r.seller }}</template></span
            >
            <span class="font-mono" :class="r.soon ? 'font-bold text-stop' : ''"
              >{{ day(r.until) }}, {{ days(r.days) }}</span
            >
            <RouterLink v-if="r.job" class="underline underline-offset-3" :to="`/bench/${r.job}`">its visit</RouterLink>
          </li>
        </ul>
      </section>
      <LotsPanel :shelf="shelf" />
    </div>
    <CameDialog :open="adding" :shelf="shelf" :desk="desk" @close="adding = false" />
    <WentDialog :item="going" :desk="desk" @close="going = null" />
  </div>
  <h2 class="mb-1 text-base">Parts of the fault book</h2>
  <p class="mb-3 text-soft">
    A part that is not here makes its repairs wait: the advice plans round it, and says so when it is still the best.
  </p>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the shelf" @retry="query.refetch()">
    <ProblemNote
      class="mb-3"
      :problem="problem"
      :asking="shop.asking.value"
      :can-retry="shop.canRetry.value"
      @retry="shop.retry"
      @dismiss="shop.dismiss"
    />
    <ul class="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
      <li v-for="p in query.data.value?.parts" :key="p.part" class="panel flex items-center justify-between gap-3 py-2">
        <span>
          <strong>{{ p.part }}</strong>
          <span class="block text-sm" :class="p.here ? 'text-soft' : 'font-bold text-wait'">
            {{ p.here ? 'on the shelf' : 'not on the shelf' }}
          </span>
        </span>
        <button
          type="button"
          class="press"
          :disabled="busy || !session.mayBench"
          :data-part="p.part"
          @click="shop.part(p.part, !p.here)"
        >
          {{ p.here ? 'Used up' : 'It is here' }}<span class="sr-only">: {{ p.part }}</span>
        </button>
      </li>
    </ul>
  </LoadState>
</template>
