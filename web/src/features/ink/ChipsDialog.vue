<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { typedNumber } from '@/shared/format'
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
const said = ref<Record<number, string>>({})
watch(
  () => props.open,
  (open) => {
    if (open) said.value = {}
  },
)
const counted = computed(() => props.ink.slots.filter((s) => s.hasCount))
const told = computed(() =>
  counted.value
    .map((s) => ({ slot: s.panel, amount: typedNumber(said.value[s.panel] ?? ''), after: null }))
    .filter((s) => s.amount !== null),
)
async function save() {
  if (await props.desk.chips({ slots: told.value })) emit('close')
}
</script>

<template>
  <AppDialog :open="open" title="What the panel shows" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="save">
      <p class="text-soft">Percent of each slot, in the panel’s order. Leave out what it does not show.</p>
      <ol class="grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3">
        <li v-for="s in counted" :key="s.panel">
          <label
            ><span class="font-mono">{{ s.panel }}</span> {{ s.ink }}, %
            <input v-model="said[s.panel]" class="field font-mono" inputmode="decimal" autocomplete="off" />
          </label>
        </li>
      </ol>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="!told.length || desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
