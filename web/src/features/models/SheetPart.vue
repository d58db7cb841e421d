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
const picture = ref('')
const larger = ref(false)
// Pages show pictures of the server and such as stand in the page itself, no others.
function show(file: File) {
  const reader = new FileReader()
  reader.onload = () => (picture.value = reader.result as string)
  reader.readAsDataURL(file)
}
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
    picture.value = ''
    show(file)
    taught.value = body
    slots.value = Object.fromEntries(body.channels.map((c, i) => [c.id, Math.min(i + 1, props.model.slots.length)]))
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
        <p v-for="d in taught.doubts" :key="d" class="border-l-4 border-wait pl-2">{{ d }}</p>
        <p v-for="a in taught.asks" :key="a" class="text-sm text-soft">{{ a }}</p>
        <figure>
          <figcaption class="flex flex-wrap items-center gap-2 text-sm text-soft">
            <span class="min-w-0 flex-1 basis-40"
              >The layout over its picture: a line on every dash, the name at nozzle 1.</span
            >
            <button type="button" class="press" :aria-pressed="larger" @click="larger = !larger">
              {{ larger ? 'Whole' : 'Larger' }}
            </button>
          </figcaption>
          <div
            class="mt-1 max-h-[70vh] overflow-auto border border-line"
            tabindex="0"
            role="group"
            aria-label="The picture"
          >
            <div class="relative" :class="larger ? 'w-[300%]' : 'w-full'">
              <img v-if="picture" :src="picture" alt="The picture that was sent" class="block w-full" />
              <svg
                class="absolute inset-0 h-full w-full"
                :viewBox="`0 0 ${taught.width} ${taught.height}`"
                aria-hidden="true"
                data-testid="laid"
              >
                <g v-for="c in taught.channels" :key="c.id">
                  <path
                    :d="c.path"
                    class="stroke-stop"
                    fill="none"
                    stroke-width="1"
                    vector-effect="non-scaling-stroke"
                  />
                  <text
                    :x="c.x"
                    :y="c.y - taught.height / 120"
                    :font-size="taught.height / 40"
                    class="fill-stop stroke-white font-bold"
                    paint-order="stroke"
                    :stroke-width="taught.height / 250"
                  >
                    {{ c.id }}
                  </text>
                </g>
              </svg>
            </div>
          </div>
        </figure>
        <div v-for="c in taught.channels" :key="c.id" class="flex flex-wrap items-center gap-2">
          <span class="font-mono">{{ c.id }}</span>
          <span>{{ c.nozzles }} nozzles, fed by</span>
          <select v-model="slots[c.id]" class="field w-auto" :aria-label="`Slot that feeds ${c.id}`">
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
