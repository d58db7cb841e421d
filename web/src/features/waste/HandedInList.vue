<script setup lang="ts">
import { ref, watch } from 'vue'
import { day } from '@/shared/format'
import type { WasteShop, WasteShopDesk } from './useWaste'

const props = defineProps<{
  /** Waste of the shop. */
  shop: WasteShop
  /** The writes. */
  desk: WasteShopDesk
  /** Whether this person may set the shop's own line. */
  may: boolean
}>()
const line = ref(props.shop.rules)
watch(
  () => props.shop.rules,
  (rules) => (line.value = rules),
)
</script>

<template>
  <section class="panel p-3" aria-labelledby="handed-title" data-testid="handed-in">
    <div class="flex flex-wrap items-center gap-2">
      <h2 id="handed-title" class="flex-1 text-base">Handed in</h2>
      <a class="press" href="/api/waste/handed-in.csv" download="waste-handed-in.csv">As a table</a>
    </div>
    <p v-if="!shop.handedIn.length" class="text-soft">Nothing is on record yet.</p>
    <ul v-else>
      <li v-for="(h, i) in shop.handedIn" :key="i" class="flex flex-wrap gap-x-3 border-t border-line py-1.5">
        <span class="w-28 text-soft">{{ day(h.at) }}</span>
        <span class="min-w-0 flex-1">{{ h.what }}, {{ h.serial }}; {{ h.where }}</span>
        <span class="font-mono">{{ h.kg }} kg</span>
      </li>
    </ul>
    <form v-if="may" class="no-print mt-2 flex flex-wrap items-end gap-2" @submit.prevent="desk.rules({ line })">
      <label class="min-w-0 flex-1 basis-60"
        >What our council asks for, one line <input v-model="line" class="field" maxlength="2000"
      /></label>
      <button class="press" :disabled="desk.busy.value || line === shop.rules">Set</button>
    </form>
    <p v-else-if="shop.rules" class="mt-1">Our council: {{ shop.rules }}</p>
  </section>
</template>
