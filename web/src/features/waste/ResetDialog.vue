<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { Refused } from '@/shared/api/client'
import { typedNumber, withUnit } from '@/shared/format'
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
const empty = () => ({ way: 'full', before: '', after: '', key: 0, despite: '', told: false, system: '' })
const said = ref(empty())
const asking = ref(false)
const serviceSays = ref('')
watch(
  () => props.open,
  (open) => {
    serviceSays.value = ''
    if (open) said.value = { ...empty(), before: props.waste.counter === null ? '' : String(props.waste.counter) }
  },
)
const ways = computed(() => [
  { id: 'full', says: 'By the panel' },
  ...(props.waste.partialTo !== null ? [{ id: 'partial', says: 'Partial, once only' }] : []),
  ...(props.waste.keys.length ? [{ id: 'key', says: 'By a key' }] : []),
  { id: 'service', says: 'Service routine' },
  { id: 'tool', says: 'Chip tool' },
])
const missing = computed(() => props.waste.gate.filter((g) => !g.met && g.id !== 'read'))
// What the program showed goes into the fields, where it can be looked at before it is on record.
async function ask() {
  asking.value = true
  try {
    const read = await props.desk.service(typedNumber(said.value.before), 0)
    said.value.before = String(read.before)
    said.value.after = String(read.after)
    serviceSays.value =
      (read.after < read.before ? 'Read back.' : 'It did not fall: not stored. Switch off and on, and try again.') +
      (read.madeUp ? ' A simulated program said so: this shop is made up.' : '')
  } catch (error) {
    serviceSays.value =
      error instanceof Refused
        ? `${error.body.title}. ${error.body.detail} ${error.body.hint}`
        : 'It could not be asked.'
  } finally {
    asking.value = false
  }
}
async function save() {
  const done = await props.desk.reset({
    way: said.value.way,
    before: typedNumber(said.value.before),
    after: typedNumber(said.value.after),
    keyItem: said.value.way === 'key' ? said.value.key : null,
    despite: said.value.despite,
    told: said.value.told,
    system: said.value.system,
  })
  if (done) emit('close')
}
</script>

<template>
  <AppDialog :open="open" title="Reset the waste counter" @close="emit('close')">
    <form class="space-y-3" data-testid="reset-dialog" @submit.prevent="save">
      <div v-if="missing.length" class="border-l-4 border-stop bg-stop-tint px-3 py-1.5">
        <p v-for="m in missing" :key="m.id" class="font-bold">Missing: {{ m.says }}.</p>
        <p v-if="waste.needs.length">It would be met by: {{ waste.needs.join(', or ') }}.</p>
      </div>
      <WayPresses :ways="ways" :chosen="said.way" @choose="said.way = $event" />
      <p v-if="said.way === 'partial'" class="text-soft">
        It is promised to go to {{ withUnit(waste.partialTo ?? 0, '%') }}; only the reading tells. A machine has it
        once.
      </p>
      <label v-if="said.way === 'key'" class="block"
        >Key of the shelf
        <select v-model.number="said.key" class="field" required>
          <option v-for="k in waste.keys" :key="k.item" :value="k.item">
            {{ k.name }}, {{ k.for }}, {{ k.left }} left
          </option>
        </select></label
      >
      <label v-if="said.way === 'service'" class="block"
        >Computer system it ran under <input v-model="said.system" class="field" maxlength="120"
      /></label>
      <button
        v-if="said.way === 'service'"
        type="button"
        class="press w-full"
        :disabled="asking"
        data-testid="ask-service"
        @click="ask"
      >
        Let the service program do it
      </button>
      <p v-if="serviceSays" class="border-l-4 border-wait bg-wait-tint px-3 py-1.5" role="status">{{ serviceSays }}</p>
      <div class="flex flex-wrap gap-3">
        <label class="flex-1"
          >Read before, % <input v-model="said.before" class="field font-mono" inputmode="decimal"
        /></label>
        <label class="flex-1"
          >Read back after, % <input v-model="said.after" class="field font-mono" inputmode="decimal"
        /></label>
      </div>
      <p class="text-soft">
        Switch off and on to apply it where needed, then read back. A reading that does not fall was not stored.
      </p>
      <template v-if="missing.length">
        <label class="block"
          >Why it is reset all the same <input v-model="said.despite" class="field" maxlength="2000"
        /></label>
        <label class="flex min-h-11 items-center gap-2">
          <input v-model="said.told" type="checkbox" class="h-6 w-6" /> The customer was told that nothing was done to
          the store
        </label>
      </template>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <button class="press press-main w-full" :disabled="desk.busy.value">On record</button>
    </form>
  </AppDialog>
</template>
