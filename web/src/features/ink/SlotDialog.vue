<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { Refused } from '@/shared/api/client'
import { typedNumber } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { InkDesk, SlotInk } from './useInk'

export type SlotAct = 'weigh' | 'fill' | 'reset'
const props = defineProps<{
  /** What is told; null when closed. */
  act: SlotAct | null
  /** The slot. */
  of: SlotInk
  /** All slots of a board, which resets them together. */
  all: SlotInk[]
  /** The writes. */
  desk: InkDesk
}>()
const emit = defineEmits<{ close: [] }>()
const said = ref({ amount: '', before: '', tries: '1', worked: true, despite: '' })
watch(
  () => props.act,
  () => {
    scaleSays.value = ''
    said.value = { amount: '', before: '', tries: '1', worked: true, despite: '' }
  },
)
const board = computed(() => props.of.tool === 'board')
const title = computed(() => {
  const where = `slot ${props.of.panel}, ${props.of.ink}`
  if (props.act === 'weigh') return `Weigh ${where}`
  if (props.act === 'fill') return `Fill ${where}`
  return board.value ? 'Press the reset board' : `Reset the chip of ${where}`
})
const asking = ref(false)
const scaleSays = ref('')
// What the scale says goes into the field, where it can be looked at before it is on record.
async function fromScale() {
  asking.value = true
  try {
    const read = await props.desk.scale(props.of.panel)
    said.value.amount = String(read.grams)
    scaleSays.value = read.madeUp ? 'A simulated scale said so: this shop is made up.' : ''
  } catch (error) {
    scaleSays.value = error instanceof Refused ? error.body.detail : 'The scale could not be asked.'
  } finally {
    asking.value = false
  }
}
async function save() {
  const { of: slot, desk } = props
  const amount = typedNumber(said.value.amount)
  const one = (figure: number | null) => [{ slot: slot.panel, amount: figure, after: null }]
  const done =
    props.act === 'weigh'
      ? await desk.weighed({ slots: one(amount) })
      : props.act === 'fill'
        ? await desk.filled({ slots: one(amount) })
        : await desk.reset({
            tool: slot.tool,
            slots: board.value
              ? props.all.map((s) => ({ slot: s.panel, amount: null, after: null }))
              : one(typedNumber(said.value.before)),
            tries: typedNumber(said.value.tries) ?? 0,
            worked: said.value.worked,
            despite: said.value.despite,
          })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="act !== null" :title="title" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="save">
      <template v-if="act === 'weigh'">
        <label class="block"
          >It weighs, g
          <input v-model="said.amount" class="field font-mono" inputmode="decimal" autocomplete="off" required />
        </label>
        <button type="button" class="press w-full" :disabled="asking" data-testid="from-scale" @click="fromScale">
          Take it from the scale
        </button>
        <p v-if="scaleSays" class="border-l-4 border-wait bg-wait-tint px-3 py-1" role="status">{{ scaleSays }}</p>
        <p class="text-soft">In grams, the whole cartridge as it comes out. Scale at zero first.</p>
      </template>
      <template v-else-if="act === 'fill'">
        <label class="block"
          >Went in, ml
          <input v-model="said.amount" class="field font-mono" inputmode="decimal" autocomplete="off" />
        </label>
        <p class="text-soft">Leave it empty when it was filled to full. Small doses; stop at the first overflow.</p>
      </template>
      <template v-else>
        <ul v-if="of.warnings.length" class="border-l-4 border-stop bg-stop-tint px-3 py-1.5">
          <li v-for="w in of.warnings" :key="w">{{ w }}</li>
        </ul>
        <div class="flex flex-wrap gap-3">
          <label v-if="!board" class="flex-1"
            >Read before, % <input v-model="said.before" class="field font-mono" inputmode="decimal" />
          </label>
          <label class="flex-1"
            >{{ board ? 'Presses' : 'Tries' }}
            <input v-model="said.tries" class="field font-mono" inputmode="numeric" required />
          </label>
        </div>
        <fieldset class="flex flex-wrap gap-2">
          <legend class="mb-1 font-bold">What the lamp or the panel then says</legend>
          <button
            v-for="way in [true, false]"
            :key="String(way)"
            type="button"
            class="press"
            :aria-pressed="said.worked === way"
            :class="said.worked === way ? 'press-main' : ''"
            @click="said.worked = way"
          >
            {{ way ? 'Set back to 100 %' : 'Refused' }}
          </button>
        </fieldset>
        <label v-if="board" class="block"
          >Why it is pressed, if a slot is not full
          <input v-model="said.despite" class="field" maxlength="2000" />
        </label>
      </template>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
