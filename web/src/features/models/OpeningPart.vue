<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { counted } from '@/shared/format'
import { useRoute } from 'vue-router'
import { api, dataOf, type Api } from '@/shared/api/client'
import PartPhotos from '@/shared/ui/PartPhotos.vue'
import type { ModelDesk, ModelPageView } from './useModels'

const props = defineProps<{
  /** The model. */
  model: ModelPageView
  /** Who can be written to. */
  desk: ModelDesk
  /** Whether this person may teach it. */
  mayTeach: boolean
}>()
interface Removal {
  name: string
  view: string
  way: string
  screws: number
  driver: string
  lengthMm: number
  isCollared: boolean
  isLoosenOnly: boolean
  catches: number
  cables: string
  caution: string
  minutes: number
}
const drafted = (p: Api<'PartOff'>): Removal => ({
  ...p,
  name: p.name ?? '',
  view: p.view ?? '',
  way: p.way ?? '',
  driver: p.driver ?? '',
  cables: (p.cables ?? []).join(', '),
  caution: p.caution ?? '',
})
const bare = (part: Api<'UsualPartView'>): Removal => ({
  ...part,
  screws: 0,
  driver: '',
  lengthMm: 0,
  isCollared: false,
  isLoosenOnly: false,
  catches: 0,
  cables: '',
  caution: '',
})
const off = useStorage<Removal[]>(`side-bench-opening-${props.model.id}`, [])
// The way back shows as well what stands before what: a part that went on while another was on needs it off no more.
const back = useStorage<string[]>(`side-bench-way-back-${props.model.id}`, [])
const isBack = computed(() => back.value.filter((name) => off.value.some((o) => o.name === name)))
const notBack = computed(() => [...off.value].reverse().filter((o) => !isBack.value.includes(o.name)))
const allBack = computed(() => off.value.length > 0 && notBack.value.length === 0)
// What came off on a job stands on record already: nobody tells it twice. A draft that was begun is not thrown away.
const from = ref('')
const job = Number(useRoute().query.job ?? 0)
async function fromJob() {
  const model = props.model.id
  const seen = await dataOf(
    api.GET('/api/models/{model}/opened', { params: { path: { model }, query: { job } } }),
  ).catch(() => null)
  if (!seen)
    from.value = 'What came off on the job could not be read now. Load the page again, or press the parts here.'
  if (!seen?.parts.length) return
  off.value = seen.parts.map(drafted)
  back.value = seen.back
  from.value = `As it came off on ${seen.tag}. Look each part over before it is taught.`
}
if (job && props.mayTeach && off.value.length === 0) void fromJob()
// What comes off most machines, and what the family has: one press each, as the family has it.
const usual = computed(() => {
  const of = new Map(
    props.model.usualParts.map(({ name, view, way, minutes }) => [name, bare({ name, view, way, minutes })]),
  )
  for (const { name, view, way, minutes, known } of props.model.parts)
    of.set(name, known ? drafted(known) : bare({ name, view, way, minutes }))
  return [...of.values()].filter((p) => !off.value.some((o) => o.name === p.name))
})
const views = ['front', 'back', 'left', 'right', 'top', 'under']
async function teach() {
  const parts = off.value.map((o) => ({
    ...o,
    cables: o.cables
      .split(',')
      .map((c) => c.trim())
      .filter(Boolean),
  }))
  if (!(await props.desk.opening({ model: props.model.id, parts, back: allBack.value ? isBack.value : [] }))) return
  off.value = []
  back.value = []
  from.value = ''
}
</script>

<template>
  <section class="panel" aria-labelledby="opening-title" data-testid="opening">
    <h2 id="opening-title" class="text-xl">How it opens</h2>
    <p>
      {{
        model.openings
          ? `Taught by ${model.openings === 1 ? 'one opening' : `${model.openings} openings`}: what was off before a part is taken as needed, until somebody gets there without it.`
          : model.isOwn
            ? `As its ${model.packVersion === null ? 'family opens' : 'pack has it'}, until you teach it.`
            : 'As the house pack has it.'
      }}
    </p>
    <details class="my-2">
      <summary class="min-h-11 cursor-pointer py-2">Parts, {{ model.parts.length }}</summary>
      <p class="text-sm text-soft">Photos that are taken of a part on a job stand here, and on the next way in.</p>
      <ul>
        <li v-for="p in model.parts" :key="p.id" class="border-t border-line py-1">
          <b>{{ p.name }}</b>, {{ p.view }}, {{ p.minutes }} min<template v-if="p.after.length"
            >, after {{ p.after.join(', ') }}</template
          >
          <span v-if="model.openings" class="text-sm text-soft">
            seen off {{ p.seen === 1 ? 'once' : `${p.seen} times` }}</span
          >
          <PartPhotos :model="model.id" :part="p.id" />
        </li>
      </ul>
    </details>
    <div v-if="mayTeach">
      <h3 class="mb-1 font-bold">I open it now: press each part as it comes off</h3>
      <div class="flex flex-wrap gap-1.5">
        <button v-for="p in usual" :key="p.name" type="button" class="press" @click="off = [...off, { ...p }]">
          {{ p.name }}
        </button>
      </div>
      <p v-if="from" class="mt-2 border-l-4 border-wait bg-wait-tint px-3 py-1.5" role="status">{{ from }}</p>
      <button v-else-if="job && off.length" type="button" class="press mt-2" @click="fromJob">
        Begin anew with what came off on the job
      </button>
      <ol class="mt-2 space-y-2" data-testid="off">
        <li v-for="(o, i) in off" :key="i" class="border-l-4 border-line pl-3">
          <details :open="i === off.length - 1">
            <summary class="min-h-11 cursor-pointer py-2">
              <b>{{ i + 1 }} {{ o.name }}</b
              >, {{ o.view }}<template v-if="o.screws">, {{ counted(o.screws, 'screw') }}</template>
            </summary>
            <div class="grid gap-2 sm:grid-cols-2 lg:grid-cols-4">
              <label>Name <input v-model="o.name" class="field" /></label>
              <label
                >Side
                <select v-model="o.view" class="field">
                  <option v-for="v in views" :key="v">{{ v }}</option>
                </select></label
              >
              <label
                >How
                <select v-model="o.way" class="field">
                  <option v-for="w in ['off', 'open', 'aside', 'unplugged']" :key="w">{{ w }}</option>
                </select></label
              >
              <label
                >Minutes <input v-model.number="o.minutes" class="field" type="number" min="0.1" step="0.1"
              /></label>
              <label>Screws <input v-model.number="o.screws" class="field" type="number" min="0" /></label>
              <label>Driver <input v-model="o.driver" class="field" /></label>
              <label>Length, mm <input v-model.number="o.lengthMm" class="field" type="number" min="0" /></label>
              <label>Catches <input v-model.number="o.catches" class="field" type="number" min="0" /></label>
              <label>Cables and tubes, with commas <input v-model="o.cables" class="field" /></label>
              <label>Mind <input v-model="o.caution" class="field" /></label>
              <label class="flex min-h-11 items-center gap-2"
                ><input v-model="o.isCollared" type="checkbox" class="size-6" /> shouldered</label
              >
              <label class="flex min-h-11 items-center gap-2"
                ><input v-model="o.isLoosenOnly" type="checkbox" class="size-6" /> loosened only</label
              >
            </div>
            <button type="button" class="press mt-1" @click="off = off.filter((_, n) => n !== i)">
              It did not come off<span class="sr-only">: {{ o.name }}</span>
            </button>
          </details>
        </li>
      </ol>
      <template v-if="off.length">
        <h3 class="mt-3 mb-1 font-bold">And back, if you like: press each part as it goes on again</h3>
        <p class="text-sm text-soft">A part that goes on while another is on already needs that one off no more.</p>
        <div class="flex flex-wrap gap-1.5" data-testid="way-back">
          <button v-for="o in notBack" :key="o.name" type="button" class="press" @click="back = [...isBack, o.name]">
            {{ o.name }}<span class="sr-only"> is on again</span>
          </button>
        </div>
        <p v-if="isBack.length" class="mt-1">
          On again, in this order: {{ isBack.join(', ') }}
          <button type="button" class="press" @click="back = []">Begin the way back anew</button>
        </p>
        <button type="button" class="press press-main mt-2" :disabled="desk.busy.value" @click="teach">
          Teach this opening, {{ counted(off.length, 'part')
          }}{{ allBack ? ', and the way back' : isBack.length ? ', without the way back: not all is on' : '' }}
        </button>
      </template>
    </div>
  </section>
</template>
