<script setup lang="ts">
import { ref } from 'vue'
import { v4 as uuid } from 'uuid'
import { api, dataOf, Refused, type Api, type ProblemBody } from '@/shared/api/client'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { useModels } from './useModels'

const props = defineProps<{
  /** Who can be written to. */
  desk: ReturnType<typeof useModels>
}>()
const text = ref('')
const look = ref<Api<'ImportLook'> | null>(null)
const problem = ref<ProblemBody | null>(null)
async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  look.value = null
  problem.value = null
  text.value = await file.text()
  try {
    const body = { key: uuid(), seenVersion: 0, text: text.value, replace: false }
    look.value = await dataOf(api.POST('/api/models/import/look', { body }))
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.body
  }
}
async function bring(replace: boolean) {
  if (await props.desk.bring({ text: text.value, replace })) look.value = null
}
</script>

<template>
  <section class="panel" aria-labelledby="import-title" data-testid="import">
    <h2 id="import-title" class="text-xl">Take models in</h2>
    <label class="press mt-2 cursor-pointer">
      A file of models
      <input type="file" accept="application/json,.json" class="sr-only" @change="choose" />
    </label>
    <ProblemNote v-if="problem" class="mt-2" :problem="problem" @dismiss="problem = null" />
    <ProblemNote class="mt-2" :problem="desk.problem.value" @dismiss="desk.dismiss" />
    <div v-if="look" class="mt-2" data-testid="import-look">
      <ul>
        <li v-for="f in look.files" :key="f.sort + f.id" class="border-t border-line py-1.5">
          <b>{{ f.name }}</b>, {{ f.sort }}, version {{ f.brings }}:
          {{
            f.here == null
              ? 'new here'
              : f.differences.length
                ? `differs from version ${f.here} here`
                : 'just as it is here'
          }}
          <ul class="list-disc pl-6 text-sm">
            <li v-for="d in f.differences" :key="d" class="font-mono break-words">{{ d }}</li>
          </ul>
        </li>
      </ul>
      <button type="button" class="press press-main" :disabled="desk.busy.value" @click="bring(false)">
        Take in what is new
      </button>
      <button
        v-if="look.files.some((f) => f.differences.length)"
        type="button"
        class="press ml-2"
        :disabled="desk.busy.value"
        @click="bring(true)"
      >
        Take all in, and replace what differs
      </button>
    </div>
  </section>
</template>
