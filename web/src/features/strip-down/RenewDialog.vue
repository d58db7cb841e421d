<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { Opening, OpeningDesk } from './useOpening'

const props = defineProps<{
  /** The part first chosen; null when closed. */
  part: string | null
  /** How far the machine is open. */
  opening: Opening
  /** The writes. */
  desk: OpeningDesk
}>()
const emit = defineEmits<{ close: [] }>()
const empty = () => ({
  part: '',
  number: '',
  lot: '',
  price: 0,
  oldFate: 'scrapped',
  returnBy: '',
  warrantyEnd: '',
  keeps: '',
})
const said = ref(empty())
watch(
  () => props.part,
  (part) => {
    if (part === null) return
    said.value = { ...empty(), part, number: props.opening.parts.find((p) => p.id === part)?.number ?? '' }
  },
)
const fates = [
  { id: 'returned', name: 'goes back to its seller' },
  { id: 'scrapped', name: 'scrapped' },
  { id: 'kept', name: 'kept' },
]
const returned = computed(() => said.value.oldFate === 'returned')
async function save() {
  const done = await props.desk.renewed({
    ...said.value,
    returnBy: returned.value && said.value.returnBy ? said.value.returnBy : null,
    warrantyEnd: said.value.warrantyEnd || null,
  })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="part !== null" title="A part was renewed" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="save">
      <label class="block"
        >Which
        <select v-model="said.part" class="field" required>
          <option v-for="p in opening.parts" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select></label
      >
      <div class="flex flex-wrap gap-3">
        <label class="flex-1">Number <input v-model="said.number" class="field font-mono" maxlength="120" /></label>
        <label class="flex-1">Lot <input v-model="said.lot" class="field font-mono" maxlength="120" /></label>
        <label class="w-32"
          >Price, {{ opening.currency }}
          <input v-model.number="said.price" type="number" min="0" step="0.01" class="field font-mono"
        /></label>
      </div>
      <fieldset class="flex flex-wrap gap-x-4">
        <legend class="font-bold">The old one</legend>
        <label v-for="f in fates" :key="f.id" class="flex min-h-11 items-center gap-2"
          ><input v-model="said.oldFate" type="radio" :value="f.id" /> {{ f.name }}</label
        >
      </fieldset>
      <label v-if="returned" class="block"
        >Back there by <input v-model="said.returnBy" type="date" class="field w-48" required
      /></label>
      <label class="block"
        >Warranty of the new one ends <input v-model="said.warrantyEnd" type="date" class="field w-48"
      /></label>
      <label class="block"
        >Pieces kept that the new one does not bring <input v-model="said.keeps" class="field" maxlength="120"
      /></label>
      <ProblemNote :problem="desk.problem.value" :asking="desk.asking.value" @dismiss="desk.dismiss" />
      <button type="submit" class="press press-main" :disabled="desk.busy.value">Write it down</button>
    </form>
  </AppDialog>
</template>
