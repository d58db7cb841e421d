<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { typedNumber } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import WayPresses from './WayPresses.vue'
import type { Waste, WasteDesk } from './useWaste'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** Waste of the job. */
  waste: Waste
  /** The writes. */
  desk: WasteDesk
}>()
const emit = defineEmits<{ close: [] }>()
const all = [
  { id: 'counter-read', says: 'Counter read', asks: 'The counter says, %' },
  { id: 'borderless-read', says: 'Borderless counter', asks: 'The borderless counter says, %' },
  { id: 'weighed', says: 'Weighed', asks: 'With its own mass, g' },
  { id: 'renewed', says: 'Renewed', asks: '' },
  { id: 'washed', says: 'Washed and dry', asks: 'Weighed dry, with its own mass, g' },
  { id: 'box-in', says: 'Another box in', asks: 'It weighs, with its own mass, g' },
  { id: 'trial', says: 'Tried with water', asks: 'Water until the top felt was wet, ml' },
  { id: 'bottle-fitted', says: 'Bottle fitted', asks: 'It holds, ml' },
  { id: 'bottle-seen', says: 'Bottle looked at', asks: 'In it now, ml' },
  { id: 'emptied', says: 'Bottle emptied', asks: 'Stays in it, ml' },
]
const ready = computed(() => props.waste.boxes.filter((b) => b.stand !== 'in'))
const can: Record<string, () => boolean> = {
  'borderless-read': () => props.waste.countsBorderless,
  'bottle-fitted': () => props.waste.takesBottle,
  'bottle-seen': () => !!props.waste.bottle,
  emptied: () => !!props.waste.bottle,
  'box-in': () => ready.value.length > 0,
}
const ways = computed(() => all.filter((w) => can[w.id]?.() ?? true))
const empty = () => ({ what: 'weighed', amount: '', box: '', note: '', outG: '', item: null as number | null })
const said = ref(empty())
watch(
  () => props.open,
  (open) => {
    if (open) said.value = empty()
  },
)
const going = computed(() => ready.value.find((b) => b.tag === said.value.box) ?? null)
// A box that was weighed dry goes in as it was weighed.
const isDry = computed(() => said.value.what === 'box-in' && going.value?.stand === 'dry')
function take(what: string) {
  said.value.what = what
  said.value.box = what === 'box-in' ? (ready.value.find((b) => b.stand === 'dry') ?? ready.value[0])!.tag : ''
}
const way = computed(() => all.find((w) => w.id === said.value.what)!)
async function save() {
  const done = await props.desk.tell({
    what: said.value.what,
    amount: way.value.asks ? typedNumber(said.value.amount) : null,
    box: said.value.box,
    note: said.value.note,
    outG: said.value.what === 'box-in' ? typedNumber(said.value.outG) : null,
    item: said.value.what === 'renewed' ? said.value.item : null,
  })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="open" title="What was done or seen" @close="emit('close')">
    <form class="space-y-3" data-testid="store-dialog" @submit.prevent="save">
      <WayPresses :ways="ways" :chosen="said.what" @choose="take($event)" />
      <p
        v-if="['renewed', 'washed', 'box-in'].includes(said.what)"
        class="border-l-4 border-stop bg-stop-tint px-3 py-1.5"
      >
        Gloves. {{ waste.rules || 'Waste ink and pads go where local rules say, not down the drain.' }} No printing
        while there are no pads.
      </p>
      <p v-if="said.what === 'trial'" class="border-l-4 border-wait bg-wait-tint px-3 py-1.5">
        It shows what the pads hold, not what the pump can push: they are used to half of it. Dry them before they go
        back.
      </p>
      <label v-if="said.what === 'box-in'" class="block"
        >The box that goes in
        <select v-model="said.box" class="field font-mono">
          <option v-for="b in ready" :key="b.tag" :value="b.tag">
            {{ b.tag }}{{ b.stand === 'dry' ? ', dry' : b.stand === 'drying' ? ', drying' : ', used' }}
          </option>
        </select></label
      >
      <p v-if="said.what === 'bottle-fitted'" class="border-l-4 border-stop bg-stop-tint px-3 py-1.5">
        The thin tubes are never cut. Clamp open at the end, vent clear.
      </p>
      <label v-if="way.asks" class="block"
        >{{ way.asks }}<template v-if="isDry"> (weighed dry already: leave it empty)</template>
        <input v-model="said.amount" class="field font-mono" inputmode="decimal" autocomplete="off"
      /></label>
      <label v-if="said.what === 'box-in'" class="block"
        >The one that comes out weighs, g, if it was weighed
        <input v-model="said.outG" class="field font-mono" inputmode="decimal" autocomplete="off"
      /></label>
      <label v-if="said.what === 'renewed' && waste.pads.length" class="block"
        >Off the shelf
        <select v-model="said.item" class="field">
          <option :value="null">none of the shelf</option>
          <option v-for="p in waste.pads" :key="p.item" :value="p.item">{{ p.name }}, {{ p.left }} left</option>
        </select></label
      >
      <label v-if="['renewed', 'washed'].includes(said.what)" class="block"
        >Tag of the box that is in now, if it has one <input v-model="said.box" class="field font-mono" maxlength="120"
      /></label>
      <label class="block">What else <input v-model="said.note" class="field" maxlength="2000" /></label>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
