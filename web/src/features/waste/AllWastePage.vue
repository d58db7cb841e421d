<script setup lang="ts">
import { computed, ref } from 'vue'
import { day, withUnit } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import KeyCap from '@/shared/ui/KeyCap.vue'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import BoxDialog from './BoxDialog.vue'
import BoxList from './BoxList.vue'
import HandedInList from './HandedInList.vue'
import { useWasteShop, type WasteBox } from './useWaste'

const session = useSession()
const desk = useWasteShop()
const { query, shop } = desk
const telling = ref<WasteBox | null>(null)
const open = ref(false)
const boxes = computed(() => shop.value?.boxes.filter((b) => b.stand !== 'gone') ?? [])
const stock = computed(() => [
  ...(shop.value?.keys ?? []).map((k) => ({ ...k, unit: k.left === 1 ? 'use' : 'uses' })),
  ...(shop.value?.pads ?? []).map((p) => ({ ...p, unit: p.left === 1 ? 'piece' : 'pieces' })),
])
// What was to be by now is due, whatever day it was reckoned for.
const when = (at: string) => (new Date(at).getTime() <= Date.now() + session.clockOffset ? 'by now' : day(at))
function show(box: WasteBox | null) {
  telling.value = box
  open.value = true
}
</script>

<template>
  <h1 class="mb-1 text-2xl">Waste of all machines</h1>
  <p class="mb-3 text-soft">By which is next: its counter, its store, or its bottle.</p>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="waste" @retry="query.refetch()">
    <ProblemNote
      v-if="!open"
      class="mb-3"
      :problem="desk.problem.value"
      :asking="desk.asking.value"
      :can-retry="desk.canRetry.value"
      @retry="desk.retry()"
      @dismiss="desk.dismiss"
    />
    <div
      v-if="shop"
      class="grid grid-cols-[minmax(0,1fr)] items-start gap-2 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)]"
      data-testid="shop-waste"
      :data-version="shop.version"
    >
      <div class="grid grid-cols-[minmax(0,1fr)] gap-2">
        <p v-if="!shop.rows.length" class="panel p-3">
          No store was told of yet. On a machine’s page “Waste”, key U at the bench, its weighings and resets are kept.
        </p>
        <div v-else class="panel overflow-x-auto px-3 pb-2" tabindex="0" aria-label="Machines" data-testid="all-waste">
          <table class="w-full min-w-[32rem] text-left">
            <thead class="text-sm text-soft">
              <tr>
                <th class="pr-3 font-normal">Machine</th>
                <th class="pr-3 text-right font-normal">Counter</th>
                <th class="pr-3 text-right font-normal">Room</th>
                <th class="font-normal">Full first</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="m in shop.rows" :key="m.machine" class="border-t border-line">
                <td class="py-1 pr-3">
                  <RouterLink
                    class="inline-flex min-h-11 items-center font-bold underline underline-offset-3"
                    :to="`/records/${m.machine}`"
                    >{{ m.model }}, {{ m.serial }}</RouterLink
                  >
                  <span class="block text-sm text-soft">{{ m.customer }}</span>
                  <span v-if="m.unserviced" class="block font-bold text-stop">reset without service</span>
                </td>
                <td class="pr-3 text-right font-mono">
                  {{ m.counter === null ? 'not read' : `${Math.round(m.counter)} %` }}
                </td>
                <td class="pr-3 text-right font-mono">
                  {{ m.roomG === null ? '–' : withUnit(Math.max(0, m.roomG), 'g') }}
                </td>
                <td :class="m.next ? '' : 'text-soft'">
                  {{ m.first === 'store' ? 'store' : 'counter' }}, <b v-if="m.next">{{ when(m.next) }}</b><template
                    v-else
                    >not known when</template
                  >
                  <span v-if="m.bottleOn" class="block">empty the bottle {{ when(m.bottleOn) }}</span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <HandedInList :shop="shop" :desk="desk" :may="session.person?.role === 'Owner'" />
      </div>
      <div class="grid grid-cols-[minmax(0,1fr)] gap-2">
        <BoxList :boxes="boxes">
          <template #add>
            <button type="button" class="press" :disabled="!session.mayBench" @click="show(null)">
              <KeyCap of="1" /> Tag a box
            </button>
          </template>
          <template #tell="{ box }">
            <button
              v-if="box.stand !== 'in'"
              type="button"
              class="press"
              :disabled="!session.mayBench"
              @click="show(box)"
            >
              Say what was done<span class="sr-only">: {{ box.tag }}</span>
            </button>
          </template>
        </BoxList>
        <section class="panel p-3" aria-labelledby="stock-title">
          <h2 id="stock-title" class="text-base">Keys and pads on the shelf</h2>
          <p v-if="!stock.length" class="text-soft">None is told of.</p>
          <ul v-else>
            <li v-for="i in stock" :key="i.item" class="flex flex-wrap gap-x-3 border-t border-line py-1.5">
              <span class="min-w-0 flex-1"
                >{{ i.name }}<template v-if="i.for">, {{ i.for }}</template></span
              >
              <b class="font-mono">{{ i.left }}</b> {{ i.unit }}
            </li>
          </ul>
          <RouterLink class="press mt-2" to="/shelf">Shelf</RouterLink>
        </section>
      </div>
      <BoxDialog :open="open" :box="telling" :shop="shop" :desk="desk" @close="open = false" />
    </div>
  </LoadState>
</template>
