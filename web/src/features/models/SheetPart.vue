<script setup lang="ts">
import { ref } from 'vue'
import { Refused, sendBytes, type Api, type ProblemBody } from '@/shared/api/client'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { ModelDesk, ModelPageView } from './useModels'

const props = defineProps<{
  /** The model. */
  model: ModelPageView
  /** Who can be written to. */
  desk: ModelDesk
  /** Whether this person may teach it. */
  mayTeach: boolean
}>()
const taught = ref<Api<'TaughtSheetView'> | null>(null)
const slots = ref<Record<string, number>>({})
const looking = ref(false)
const problem = ref<ProblemBody | null>(null)
async function look(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  problem.value = null
  looking.value = true
  try {
    const body = await sendBytes<Api<'TaughtSheetView'>>(
      `/api/models/sheets/look?model=${encodeURIComponent(props.model.id)}`,
      file,
      () => undefined,
    )
    taught.value = body
    slots.value = Object.fromEntries(body.channels.map((c, i) => [c, Math.min(i + 1, props.model.slots.length)]))
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.body
  } finally {
    looking.value = false
  }
}
async function keep() {
  if (!taught.value) return
  if (await props.desk.sheet({ model: props.model.id, layout: taught.value.layout, slots: slots.value }))
    taught.value = null
}
</script>

<template>
  <section class="panel" aria-labelledby="sheet-title" data-testid="sheet">
    <h2 id="sheet-title" class="text-xl">Nozzle sheet</h2>
    <p>{{ model.sheet || 'No layout is known: sheets are told by words until one is taught.' }}</p>
    <ProblemNote v-if="problem" :problem="problem" @dismiss="problem = null" />
    <template v-if="mayTeach">
      <label class="press mt-2 cursor-pointer">
        {{ looking ? 'Looking for dashes and blocks …' : 'Picture of a good sheet' }}
        <input type="file" accept="image/png,image/jpeg" class="sr-only" :disabled="looking" @change="look" />
      </label>
      <div v-if="taught" class="mt-2 space-y-2" data-testid="taught-sheet">
        <p v-for="d in taught.doubts" :key="d" class="border-l-4 border-warn pl-2">{{ d }}</p>
        <p v-for="a in taught.asks" :key="a" class="text-sm text-soft">{{ a }}</p>
        <div v-for="(c, i) in taught.channels" :key="c" class="flex flex-wrap items-center gap-2">
          <span class="font-mono">{{ c }}</span>
          <span>{{ taught.nozzles[i] }} nozzles, fed by</span>
          <select v-model="slots[c]" class="field w-auto" :aria-label="`Slot that feeds ${c}`">
            <option v-for="s in model.slots" :key="s.panel" :value="s.panel">{{ s.panel }} {{ s.ink }}</option>
          </select>
        </div>
        <button type="button" class="press press-main" :disabled="desk.busy.value" @click="keep">
          Keep this layout
        </button>
        <button type="button" class="press ml-2" @click="taught = null">No, another picture</button>
      </div>
    </template>
  </section>
</template>
