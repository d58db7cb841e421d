<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { typedNumber, withUnit } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { Ink, InkDesk } from './useInk'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** Ink of the job. */
  ink: Ink
  /** The writes. */
  desk: InkDesk
}>()
const emit = defineEmits<{ close: [] }>()
type Row = { full: boolean; ml: string; before: string; tries: number; lamp: string; reset: boolean }
const lamps = [
  { id: '', says: 'not seen' },
  { id: 'steady', says: 'steady: done' },
  { id: 'blinks', says: 'blinks on' },
  { id: 'red', says: 'red' },
  { id: 'dark', says: 'dark' },
]
const rows = ref<Record<number, Row>>({})
const despite = ref('')
// In the order of the hand; a board is pressed for all of them, so all are looked at.
const slots = computed(() => {
  const order = props.ink.visit?.slots ?? []
  const board = props.ink.slots.some((s) => s.tool === 'board')
  const picked = props.ink.slots.filter((s) => s.isFilled && (board || !order.length || order.includes(s.panel)))
  return [...picked].sort((a, b) => order.indexOf(a.panel) - order.indexOf(b.panel) || a.panel - b.panel)
})
const board = computed(() => slots.value.some((s) => s.tool === 'board'))
watch(
  () => props.open,
  (open) => {
    if (!open) return
    despite.value = ''
    rows.value = Object.fromEntries(
      slots.value.map((s) => [
        s.panel,
        {
          full: true,
          ml: '',
          before: s.chip === null ? '' : String(Math.ceil(s.chip)),
          tries: s.tool ? 1 : 0,
          lamp: '',
          reset: !!s.tool,
        },
      ]),
    )
  },
)
async function save() {
  const done = await props.desk.session({
    slots: slots.value.map((s) => {
      const row = rows.value[s.panel]!
      return {
        slot: s.panel,
        before: typedNumber(row.before),
        full: row.full,
        ml: row.full ? null : typedNumber(row.ml),
        tries: row.tries,
        lamp: row.lamp,
        reset: row.tries > 0 && row.reset,
        after: null,
      }
    }),
    despite: despite.value,
  })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="open" wide title="Slot by slot" @close="emit('close')">
    <form class="space-y-3" data-testid="reset-session" @submit.prevent="save">
      <p class="text-soft">
        In the order of the hand: read, fill, reset, look at the lamp.
        <template v-if="board">One press of the board is for all of them: every slot full first.</template>
      </p>
      <ol class="space-y-2">
        <li v-for="s in slots" :key="s.panel" class="border-t border-line pt-2">
          <fieldset v-if="rows[s.panel]" class="grid grid-cols-2 items-end gap-2 sm:grid-cols-6">
            <legend class="font-bold">
              <span class="font-mono">{{ s.panel }}</span> {{ s.ink }}
              <span class="text-sm font-normal text-soft">{{ s.front }}</span>
            </legend>
            <label
              >Read before, %<input v-model="rows[s.panel]!.before" class="field font-mono" inputmode="decimal"
            /></label>
            <label class="flex min-h-11 items-center gap-2">
              <input v-model="rows[s.panel]!.full" type="checkbox" class="h-6 w-6" /> To full<template
                v-if="s.addMl !== null"
                >, {{ withUnit(s.addMl, 'ml', s.fillMl < 40 ? 1 : 0) }}</template
              >
            </label>
            <label v-if="!rows[s.panel]!.full"
              >Went in, ml<input v-model="rows[s.panel]!.ml" class="field font-mono" inputmode="decimal"
            /></label>
            <template v-if="s.tool">
              <label
                >{{ board ? 'Presses' : 'Tries'
                }}<input
                  v-model.number="rows[s.panel]!.tries"
                  class="field font-mono"
                  type="number"
                  min="0"
                  max="99"
                  required
              /></label>
              <label v-if="s.tool === 'hand-tool' || board"
                >Lamp<select v-model="rows[s.panel]!.lamp" class="field">
                  <option v-for="l in lamps" :key="l.id" :value="l.id">{{ l.says }}</option>
                </select></label
              >
              <label class="flex min-h-11 items-center gap-2">
                <input v-model="rows[s.panel]!.reset" type="checkbox" class="h-6 w-6" /> Reads 100 %
              </label>
            </template>
            <p v-if="s.align" class="col-span-full text-sm text-soft">{{ s.align }}.</p>
          </fieldset>
        </li>
      </ol>
      <label v-if="board" class="block"
        >Why it is pressed, if a slot is not full <input v-model="despite" class="field" maxlength="2000"
      /></label>
      <p v-if="ink.wasteChip" class="border-l-4 border-line px-3 py-1">
        The waste store’s chip has a tool of its own, and is reset on the waste page once its store is seen to.
      </p>
      <p v-if="ink.prompt" class="border-l-4 border-line px-3 py-1">The prompt that follows: {{ ink.prompt }}</p>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value || !slots.length">On record</button>
    </form>
  </AppDialog>
</template>
