<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { typedNumber } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import WayPresses from './WayPresses.vue'
import type { WasteBox, WasteShop, WasteShopDesk } from './useWaste'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** The box that is told of; null to tag a new one. */
  box: WasteBox | null
  /** Waste of the shop. */
  shop: WasteShop
  /** The writes. */
  desk: WasteShopDesk
}>()
const emit = defineEmits<{ close: [] }>()
const ways = [
  { id: 'weighed', says: 'Weighed', asks: 'With its own mass, g' },
  { id: 'washed', says: 'Washed', asks: 'The water was changed so many times' },
  { id: 'new-pads', says: 'New pads', asks: '' },
  { id: 'trial', says: 'Tried with water', asks: 'Water until the top felt was wet, ml' },
  { id: 'gone', says: 'Gone', asks: '' },
]
const empty = () => ({ what: 'weighed', amount: '', tag: '', fits: props.shop.models[0]?.id ?? '', tare: '', note: '' })
const said = ref(empty())
watch(
  () => props.open,
  (open) => {
    if (open) said.value = empty()
  },
)
const way = computed(() => ways.find((w) => w.id === said.value.what)!)
const tare = computed(() => props.shop.models.find((m) => m.id === said.value.fits)?.tareG ?? 0)
async function save() {
  const { note } = said.value
  const amount = typedNumber(said.value.amount)
  const done = props.box
    ? await props.desk.tell({ box: props.box.tag, what: way.value.id, amount: way.value.asks ? amount : null, note })
    : await props.desk.tag({
        tag: said.value.tag,
        fits: said.value.fits,
        tareG: typedNumber(said.value.tare),
        grams: amount,
        note,
      })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="open" :title="box ? `Box ${box.tag}` : 'A box gets a tag'" @close="emit('close')">
    <form class="space-y-3" data-testid="box-dialog" @submit.prevent="save">
      <template v-if="box">
        <WayPresses :ways="ways" :chosen="said.what" @choose="said.what = $event" />
        <p
          v-if="['washed', 'new-pads', 'gone'].includes(said.what)"
          class="border-l-4 border-stop bg-stop-tint px-3 py-1.5"
        >
          Gloves. {{ shop.rules || 'Waste ink and pads go where local rules say, not down the drain.' }}
        </p>
        <p v-if="said.what === 'trial'" class="border-l-4 border-wait bg-wait-tint px-3 py-1.5">
          Water by syringe, dose by dose, the top felt under a finger. It shows what the pads hold, not what the pump
          can push: they are used to half of it. The box dries again afterwards.
        </p>
        <label v-if="way.asks" class="block"
          >{{ way.asks }} <input v-model="said.amount" class="field font-mono" inputmode="decimal" required
        /></label>
      </template>
      <template v-else>
        <label class="block"
          >Its tag <input v-model="said.tag" class="field font-mono" required maxlength="120"
        /></label>
        <label class="block"
          >It fits
          <select v-model="said.fits" class="field">
            <option v-for="m in shop.models" :key="m.id" :value="m.id">{{ m.name }}</option>
          </select></label
        >
        <div class="flex flex-wrap gap-3">
          <label class="flex-1"
            >Dry mass, g ({{ tare }} unless told)
            <input v-model="said.tare" class="field font-mono" inputmode="decimal"
          /></label>
          <label class="flex-1"
            >Weighs now, g <input v-model="said.amount" class="field font-mono" inputmode="decimal"
          /></label>
        </div>
      </template>
      <label class="block">What else <input v-model="said.note" class="field" maxlength="2000" /></label>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
