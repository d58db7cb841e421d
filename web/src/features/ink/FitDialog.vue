<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { money, typedNumber } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import NumberLook from './NumberLook.vue'
import type { Ink, InkDesk, SlotInk } from './useInk'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** The slot. */
  of: SlotInk
  /** Ink of the job. */
  ink: Ink
  /** The writes. */
  desk: InkDesk
}>()
const emit = defineEmits<{ close: [] }>()
const empty = () => ({
  type: '',
  ml: '',
  chip: '',
  lot: '',
  seller: '',
  returnBy: '',
  became: '',
  bought: false,
  purged: true,
})
const said = ref(empty())
const look = ref<InstanceType<typeof NumberLook> | null>(null)
watch(
  () => props.open,
  (open) => {
    if (open) said.value = { ...empty(), type: props.of.type }
  },
)
const type = computed(() => props.of.types.find((t) => t.id === said.value.type) ?? null)
const fates = [
  '',
  'empty, and thrown away',
  'kept, its chip may be carried over',
  'returned to its seller',
  'exchanged',
  'failed, and scrapped',
]
async function save() {
  const done = await props.desk.fitted({
    slot: props.of.panel,
    type: said.value.type,
    ml: typedNumber(said.value.ml),
    chipPct: typedNumber(said.value.chip),
    number: look.value?.number ?? '',
    lot: said.value.lot,
    seller: said.value.seller,
    returnBy: said.value.returnBy || null,
    became: said.value.became,
    bought: said.value.bought,
    purged: said.value.purged,
  })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="open" :title="`What is fitted in slot ${of.panel}, ${of.ink}`" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="save">
      <NumberLook ref="look" :job="ink.job" :of="of.panel" :lot="said.lot" />
      <label class="block"
        >It is
        <select v-model="said.type" class="field" required>
          <option v-for="t in of.types" :key="t.id" :value="t.id">
            {{ t.name }}{{ t.number ? `, ${t.number}` : '' }}
          </option>
        </select></label
      >
      <p v-if="type?.key" class="text-soft">Key shape: {{ type.key }}.</p>
      <div class="flex flex-wrap gap-3">
        <label class="flex-1"
          >Ink in it, ml <input v-model="said.ml" class="field font-mono" inputmode="decimal" placeholder="full"
        /></label>
        <label class="flex-1"
          >Its chip, % <input v-model="said.chip" class="field font-mono" inputmode="decimal" placeholder="100"
        /></label>
      </div>
      <div class="flex flex-wrap gap-3">
        <label class="flex-1">Lot <input v-model="said.lot" class="field font-mono" maxlength="120" /></label>
        <label class="flex-1">Bought from <input v-model="said.seller" class="field" maxlength="120" /></label>
        <label class="flex-1">Goes back until <input v-model="said.returnBy" class="field" type="date" /></label>
      </div>
      <label class="block"
        >The old one
        <select v-model="said.became" class="field">
          <option v-for="f in fates" :key="f" :value="f">{{ f || 'not told' }}</option>
        </select></label
      >
      <label v-if="type && type.price > 0" class="flex min-h-11 items-center gap-2">
        <input v-model="said.bought" type="checkbox" class="h-6 w-6" /> New from the shelf,
        {{ money(type.price, ink.currency) }}
      </label>
      <label v-if="of.canWeigh || of.hasCount" class="flex min-h-11 items-center gap-2">
        <input v-model="said.purged" type="checkbox" class="h-6 w-6" /> The machine purged after it
      </label>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
