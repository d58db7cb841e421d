<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { withUnit } from '@/shared/format'
import KeyCap from '@/shared/ui/KeyCap.vue'
import { pressing } from '@/shared/state/howPressed'
import type { Bench } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
  /** A write is on its way. */
  busy: boolean
}>()
const emit = defineEmits<{
  tell: [finding: string, outcome: string, quantity: number | null, slot: number, code: string]
}>()
type Reading = Api<'ReadingView'>
const words = ref('')
const readings = ref<Reading[]>([])
const asked = ref('')

async function read() {
  const text = words.value.trim()
  const found = text
    ? await dataOf(
        api.GET('/api/jobs/{id}/readings', {
          params: { path: { id: props.job.id }, query: { words: text, thread: props.job.thread } },
        }),
      )
    : []
  if (text !== words.value.trim()) return
  readings.value = found
  asked.value = text
}
const readSoon = useDebounceFn(read, 180)
watch(words, () => void readSoon())
watch(
  () => props.job.version,
  () => (words.value = ''),
)

/** Enter takes a reading only when it is the only one, or far ahead. */
function enter() {
  const [first] = readings.value
  if (first?.sure && asked.value === words.value.trim()) take(first)
}

function take(r: Reading) {
  pressing('typed', () => emit('tell', r.finding, r.outcome, r.quantity, r.slot, r.code))
}
</script>

<template>
  <section class="panel p-3" aria-label="Tell a finding in words">
    <label class="flex flex-wrap items-center gap-2">
      <span class="font-bold"><KeyCap of="F" /> Tell a finding</span>
      <input
        v-model="words"
        class="field min-w-40 flex-1"
        placeholder="pulls hard 4 ml, or a panel code"
        maxlength="200"
        data-testid="quick"
        @keydown.enter.prevent="enter"
      />
    </label>
    <p v-if="asked && readings.length === 0" class="mt-2 text-soft" role="status">
      Nothing in the book fits these words. Say it otherwise, or press a station of the map.
    </p>
    <ul v-else-if="asked" class="mt-2 space-y-1.5" aria-label="It can mean">
      <li v-for="r in readings" :key="r.finding + r.outcome">
        <button
          type="button"
          class="press w-full justify-start text-left"
          :disabled="busy"
          :data-reading="`${r.finding}=${r.outcome}`"
          @click="take(r)"
        >
          <span>
            <strong>{{ r.says }}{{ r.quantity !== null ? `, ${withUnit(r.quantity, r.unit, 2)}` : '' }}</strong>
            <span v-if="r.code" class="font-mono"> · {{ r.code }}</span>
            <span v-if="r.ink"> · {{ r.ink.toLowerCase() }}</span>
            <span class="block text-sm font-normal text-soft">{{ r.findingName }}</span>
          </span>
        </button>
      </li>
    </ul>
  </section>
</template>
