<script setup lang="ts">
import { ref, watch } from 'vue'
import { typedNumber, withUnit } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { ShelfDesk, StockItem } from './useShelf'

const props = defineProps<{
  /** What goes; null when closed. */
  item: StockItem | null
  /** The writes. */
  desk: ShelfDesk
}>()
const emit = defineEmits<{ close: [] }>()
const ways = [
  { id: 'used', says: 'Used' },
  { id: 'returned', says: 'Sent back' },
  { id: 'scrapped', says: 'Thrown away' },
]
const said = ref({ amount: '1', where: 'used', on: '', why: '' })
watch(
  () => props.item,
  (item) => {
    if (item) said.value = { amount: item.unit === 'ml' ? '' : '1', where: 'used', on: '', why: '' }
  },
)
async function save() {
  const done = await props.desk.went({
    item: props.item!.id,
    amount: typedNumber(said.value.amount),
    where: said.value.where,
    on: said.value.on,
    why: said.value.why,
  })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="item !== null" :title="item ? `${item.name}, ${item.for}` : ''" @close="emit('close')">
    <form v-if="item" class="space-y-3" @submit.prevent="save">
      <p class="text-soft">{{ withUnit(item.left, item.unit, item.unit === 'ml' ? 0 : 0) }} left.</p>
      <fieldset class="flex flex-wrap gap-2">
        <legend class="mb-1 font-bold">Where it goes</legend>
        <button
          v-for="w in ways"
          :key="w.id"
          type="button"
          class="press"
          :aria-pressed="said.where === w.id"
          :class="said.where === w.id ? 'press-main' : ''"
          @click="said.where = w.id"
        >
          {{ w.says }}
        </button>
      </fieldset>
      <label class="block"
        >How much, {{ item.unit }} <input v-model="said.amount" class="field font-mono" inputmode="decimal" required
      /></label>
      <label v-if="said.where === 'used'" class="block"
        >On which machine, by its serial number <input v-model="said.on" class="field font-mono" maxlength="120"
      /></label>
      <label class="block">Why <input v-model="said.why" class="field" maxlength="2000" /></label>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
