<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { typedNumber } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { Shelf, ShelfDesk } from './useShelf'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** The shelf. */
  shelf: Shelf
  /** The writes. */
  desk: ShelfDesk
}>()
const emit = defineEmits<{ close: [] }>()
const empty = () => ({ kind: 'ink', name: '', for: '', amount: '', price: '', seller: '', lot: '', returnBy: '' })
const said = ref(empty())
watch(
  () => props.open,
  (open) => {
    if (open) said.value = empty()
  },
)
const kind = computed(() => props.shelf.kinds.find((k) => k.id === said.value.kind) ?? null)
async function save() {
  const done = await props.desk.came({
    kind: said.value.kind,
    name: said.value.name,
    for: said.value.for,
    amount: typedNumber(said.value.amount),
    price: typedNumber(said.value.price) ?? 0,
    seller: said.value.seller,
    lot: said.value.lot,
    returnBy: said.value.returnBy || null,
  })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="open" title="What came" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="save">
      <label class="block"
        >It is
        <select v-model="said.kind" class="field">
          <option v-for="k in shelf.kinds" :key="k.id" :value="k.id">{{ k.name }}</option>
        </select></label
      >
      <label class="block"
        >What it is called <input v-model="said.name" class="field" required maxlength="120"
      /></label>
      <label class="block">{{ kind?.for }} <input v-model="said.for" class="field" maxlength="120" /></label>
      <div class="flex flex-wrap gap-3">
        <label class="flex-1"
          >How much, {{ kind?.unit }} <input v-model="said.amount" class="field font-mono" inputmode="decimal" required
        /></label>
        <label class="flex-1"
          >Paid for all of it <input v-model="said.price" class="field font-mono" inputmode="decimal"
        /></label>
      </div>
      <div class="flex flex-wrap gap-3">
        <label class="flex-1">Bought from <input v-model="said.seller" class="field" maxlength="120" /></label>
        <label class="flex-1">Lot <input v-model="said.lot" class="field font-mono" maxlength="120" /></label>
        <label class="flex-1">Goes back until <input v-model="said.returnBy" class="field" type="date" /></label>
      </div>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On the shelf</button>
    </form>
  </AppDialog>
</template>
