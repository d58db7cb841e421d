<script setup lang="ts">
import { ref, watch } from 'vue'
import { typedNumber } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { WasteDesk } from './useWaste'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** The line of the shop's own council; empty when none. */
  rules: string
  /** The writes. */
  desk: WasteDesk
}>()
const emit = defineEmits<{ close: [] }>()
const said = ref({ what: '', kg: '', where: '' })
watch(
  () => props.open,
  (open) => {
    if (open) said.value = { what: 'waste pads with ink', kg: '', where: '' }
  },
)
async function save() {
  if (await props.desk.handIn({ what: said.value.what, kg: typedNumber(said.value.kg), where: said.value.where }))
    emit('close')
}
</script>

<template>
  <AppDialog :open="open" title="Handed in" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="save">
      <label class="block">What <input v-model="said.what" class="field" maxlength="120" required /></label>
      <label class="block"
        >How much, kg <input v-model="said.kg" class="field font-mono" inputmode="decimal" required
      /></label>
      <label class="block"
        >Where, by local rules<template v-if="rules"> ({{ rules }})</template>
        <input v-model="said.where" class="field" maxlength="120" required
      /></label>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
