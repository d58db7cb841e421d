<script setup lang="ts">
import { reactive } from 'vue'
import FieldRow from '@/shared/ui/FieldRow.vue'
import type { ModelDesk, ModelPageView } from './useModels'

const props = defineProps<{
  /** The model. */
  model: ModelPageView
  /** Who can be written to. */
  desk: ModelDesk
  /** Whether this person may teach it. */
  mayTeach: boolean
}>()
const form = reactive({ code: '', says: '', reads: '', complaint: '' })
const nameOf = (id: string) => props.model.codeReads.find((r) => r.id === id)?.name ?? id
async function teach() {
  if (await props.desk.code({ model: props.model.id, ...form }))
    Object.assign(form, { code: '', says: '', reads: '', complaint: '' })
}
</script>

<template>
  <section class="panel" aria-labelledby="codes-title" data-testid="codes">
    <h2 id="codes-title" class="text-xl">Codes</h2>
    <p v-if="!model.codes.length" class="text-soft">None is known. A code is evidence, not a verdict.</p>
    <ul>
      <li v-for="c in model.codes" :key="c.code" class="border-t border-line py-1.5">
        <RouterLink
          class="inline-flex min-h-11 items-center font-mono underline underline-offset-3"
          :to="`/guides/codes/${model.id}/${encodeURIComponent(c.code)}`"
          >{{ c.code }}</RouterLink
        >
        {{ c.says }} <span class="text-sm text-soft">read as: {{ nameOf(c.reads) }}</span>
      </li>
    </ul>
    <form v-if="mayTeach" class="mt-2 space-y-2 border-t border-line pt-2" @submit.prevent="teach">
      <FieldRow v-slot="f" label="Code on the panel" pointer="/code" :problem="desk.problem.value">
        <input :id="f.id" v-model="form.code" class="field font-mono" autocomplete="off" :aria-invalid="f.invalid" />
      </FieldRow>
      <FieldRow v-slot="f" label="The panel’s words" pointer="/says" :problem="desk.problem.value">
        <input :id="f.id" v-model="form.says" class="field" autocomplete="off" :aria-invalid="f.invalid" />
      </FieldRow>
      <FieldRow v-slot="f" label="What does it tell of" pointer="/reads" :problem="desk.problem.value">
        <select :id="f.id" v-model="form.reads" class="field" :aria-invalid="f.invalid">
          <option value="" disabled>Choose one</option>
          <option v-for="r in model.codeReads" :key="r.id" :value="r.id">{{ r.name }}</option>
        </select>
      </FieldRow>
      <FieldRow
        v-slot="f"
        label="The complaint it goes with, if any"
        pointer="/complaint"
        :problem="desk.problem.value"
      >
        <select :id="f.id" v-model="form.complaint" class="field">
          <option value="">None</option>
          <option v-for="c in model.complaints" :key="c.id" :value="c.id">{{ c.name }}</option>
        </select>
      </FieldRow>
      <button type="submit" class="press" :disabled="desk.busy.value">Teach this code</button>
    </form>
  </section>
</template>
