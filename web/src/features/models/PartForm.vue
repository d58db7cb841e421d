<script setup lang="ts">
import { useDebounceFn, useStorage } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import { computed, ref, watch } from 'vue'
import { api, dataOf, Refused, type Api, type ProblemBody } from '@/shared/api/client'
import PartField from './PartField.vue'
import { bare, lines, type PartRule, type PartValue } from './partRule'
import type { ModelDesk } from './useModels'

const props = defineProps<{
  /** The part. */
  part: Api<'ModelPartView'>
  /** The model, and its version. */
  model: { id: string; modelVersion: number }
  /** Who can be written to. */
  desk: ModelDesk
  /** Whether this person may change it. */
  mayTeach: boolean
}>()
const settleMs = 400
const rule = computed(() => props.part.schema as PartRule)
const stands = computed(() => (props.part.value ?? undefined) as PartValue)
const told = computed(() => lines(rule.value, stands.value))
interface Draft {
  version: number
  value?: PartValue
}
// What was begun and not kept is there again.
const draft = useStorage<Draft>(`side-bench-part-${props.model.id}-${props.part.name}`, { version: 0 })
const open = ref(false)
const shown = ref(false)
const differs = ref<string[]>([])
const problem = ref<ProblemBody | null>(null)
const fresh = () => JSON.parse(JSON.stringify({ value: stands.value ?? bare(rule.value) })) as { value: PartValue }
const isChanged = computed(() => JSON.stringify(draft.value.value) !== JSON.stringify(fresh().value))
const body = () => ({ model: props.model.id, part: props.part.name, value: draft.value.value ?? null })
let asked = 0
// Tried with the packs' own rules while it is typed; only the last that was asked is shown.
const look = useDebounceFn(async () => {
  const turn = ++asked
  const answer = await dataOf(
    api.POST('/api/models/parts/look', { body: { key: uuid(), seenVersion: 0, ...body() } }),
  ).then(
    (fits) => ({ differs: fits.differences, problem: null }),
    (e: unknown) => ({ differs: [], problem: e instanceof Refused ? e.body : null }),
  )
  if (turn !== asked || !open.value) return
  differs.value = answer.differs
  problem.value = answer.problem
}, settleMs)
watch(
  () => JSON.stringify(draft.value.value),
  () => {
    if (open.value && isChanged.value) void look()
    else [differs.value, problem.value] = [[], null]
  },
)
function change() {
  if (draft.value.version === 0) draft.value = { version: props.model.modelVersion, ...fresh() }
  open.value = true
  if (isChanged.value) void look()
}
function close() {
  open.value = false
  asked++
  ;[differs.value, problem.value] = [[], null]
  draft.value = { version: 0 }
}
async function keep() {
  if (await props.desk.part(body())) close()
}
const refused = computed(() => problem.value ?? (open.value ? props.desk.problem.value : null))
const elsewhere = computed(() => refused.value?.problems.filter((p) => !p.pointer.startsWith('/value')) ?? [])
</script>

<template>
  <li class="border-t border-line py-1.5" :data-part="part.name">
    <div class="flex flex-wrap items-center gap-2">
      <button
        type="button"
        class="inline-flex min-h-11 min-w-0 flex-1 items-center gap-2 text-left font-bold"
        :aria-expanded="shown || open"
        @click="shown = !shown"
      >
        <span aria-hidden="true">{{ shown || open ? '−' : '+' }}</span> {{ part.title }}
        <span v-if="!open && draft.version" class="rounded bg-wait-tint px-1.5 text-sm">begun, not kept</span>
        <span v-else-if="told.length > 1" class="text-sm font-normal text-soft">{{ told.length }}</span>
      </button>
      <button v-if="mayTeach && !open" type="button" class="press" @click="change">
        Change<span class="sr-only"> {{ part.title }}</span>
      </button>
    </div>
    <ul v-if="shown && !open" class="pl-5">
      <li v-for="(line, i) in told" :key="i" class="list-disc py-0.5 text-sm">{{ line }}</li>
      <li v-if="!told.length" class="text-sm text-soft">Nothing is told.</li>
    </ul>
    <form v-if="open" class="mt-1 space-y-2" @submit.prevent="keep">
      <p v-if="draft.version !== model.modelVersion" class="text-sm">
        Begun when the model stood at version {{ draft.version }}; it stands at {{ model.modelVersion }} now. What you
        keep takes the place of all of this part.
      </p>
      <PartField v-model="draft.value" :rule="rule" :name="part.title" pointer="/value" :problem="refused" needed />
      <p v-for="p in elsewhere" :key="p.pointer + p.detail" class="text-stop" role="alert">
        {{ p.title }}. {{ p.detail }} {{ p.hint }}
      </p>
      <ul v-if="differs.length" aria-label="What would change" class="font-mono text-sm">
        <li v-for="d in differs" :key="d">{{ d }}</li>
      </ul>
      <div class="flex flex-wrap gap-2">
        <button type="submit" class="press press-main" :disabled="desk.busy.value || !isChanged">Keep it so</button>
        <button type="button" class="press" @click="close">Leave it as it was</button>
      </div>
    </form>
  </li>
</template>
