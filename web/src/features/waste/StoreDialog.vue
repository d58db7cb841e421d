<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { typedNumber } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
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
  { id: 'weighed', says: 'Weighed', asks: 'With its own mass, g' },
  { id: 'renewed', says: 'Renewed', asks: '' },
  { id: 'washed', says: 'Washed and dry', asks: 'Weighed dry, with its own mass, g' },
  { id: 'bottle-fitted', says: 'Bottle fitted', asks: 'It holds, ml' },
  { id: 'bottle-seen', says: 'Bottle looked at', asks: 'In it now, ml' },
  { id: 'emptied', says: 'Bottle emptied', asks: 'Stays in it, ml' },
]
const ways = computed(() =>
  all.filter((w) =>
    w.id === 'bottle-fitted'
      ? props.waste.takesBottle
      : !['bottle-seen', 'emptied'].includes(w.id) || props.waste.bottle,
  ),
)
const said = ref({ what: 'weighed', amount: '', box: '', note: '' })
watch(
  () => props.open,
  (open) => {
    if (open) said.value = { what: 'weighed', amount: '', box: '', note: '' }
  },
)
const way = computed(() => all.find((w) => w.id === said.value.what)!)
async function save() {
  const done = await props.desk.tell({
    what: said.value.what,
    amount: way.value.asks ? typedNumber(said.value.amount) : null,
    box: said.value.box,
    note: said.value.note,
  })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="open" title="What was done or seen" @close="emit('close')">
    <form class="space-y-3" data-testid="store-dialog" @submit.prevent="save">
      <div class="flex flex-wrap gap-2">
        <button
          v-for="w in ways"
          :key="w.id"
          type="button"
          class="press"
          :aria-pressed="said.what === w.id"
          :class="said.what === w.id ? 'press-main' : ''"
          @click="said.what = w.id"
        >
          {{ w.says }}
        </button>
      </div>
      <p
        v-if="said.what === 'renewed' || said.what === 'washed'"
        class="border-l-4 border-stop bg-stop-tint px-3 py-1.5"
      >
        Gloves. Waste ink and pads go where local rules say, not down the drain. No printing while there are no pads.
      </p>
      <p v-if="said.what === 'bottle-fitted'" class="border-l-4 border-stop bg-stop-tint px-3 py-1.5">
        The thin tubes are never cut. Clamp open at the end, vent clear.
      </p>
      <label v-if="way.asks" class="block"
        >{{ way.asks }} <input v-model="said.amount" class="field font-mono" inputmode="decimal" autocomplete="off"
      /></label>
      <label v-if="['renewed', 'washed'].includes(said.what)" class="block"
        >Tag of the box that is in now, if it has one <input v-model="said.box" class="field font-mono" maxlength="120"
      /></label>
      <label class="block">What else <input v-model="said.note" class="field" maxlength="2000" /></label>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
