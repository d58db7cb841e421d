<script setup lang="ts">
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { useTakeIn } from './useTakeIn'

const props = defineProps<{
  /** The form. */
  takeIn: ReturnType<typeof useTakeIn>
}>()
const { form, model, machine, problem } = props.takeIn
const add = () => form.value.before.push({ repair: '', on: '', sinceTrouble: true })
</script>

<template>
  <section v-if="model" class="panel grid gap-3 lg:col-span-2 lg:grid-cols-2" aria-label="What is known of the machine">
    <fieldset v-if="model.changes.length">
      <legend class="mb-1 font-bold">What differs on it for good</legend>
      <ul>
        <li v-for="c in model.changes" :key="c.id">
          <span v-if="machine?.changes.includes(c.id)" class="flex min-h-11 items-center">
            ✓ {{ c.name }} <span class="ml-1 text-soft">is on its record</span>
          </span>
          <label v-else class="flex min-h-11 items-center gap-2">
            <input v-model="form.changes" type="checkbox" class="size-5" :value="c.id" />
            <span
              >{{ c.name }} <span class="text-sm text-soft">{{ c.says }}</span></span
            >
          </label>
        </li>
      </ul>
    </fieldset>
    <fieldset>
      <legend class="mb-1 font-bold">Work done before this visit</legend>
      <ul class="space-y-2">
        <li v-for="(b, i) in form.before" :key="i" class="flex flex-wrap items-center gap-2">
          <select v-model="b.repair" class="field min-w-0 basis-full" :aria-label="`Work ${i + 1}`">
            <option value="" disabled>Choose one</option>
            <option v-for="w in model.works" :key="w.id" :value="w.id">{{ w.name }}</option>
          </select>
          <input v-model="b.on" type="date" class="field w-40" :aria-label="`When, work ${i + 1}`" />
          <label class="flex min-h-11 items-center gap-2">
            <input v-model="b.sinceTrouble" type="checkbox" class="size-5" /> since the trouble began
          </label>
          <button type="button" class="press press-plain" @click="form.before.splice(i, 1)">
            Remove<span class="sr-only"> work {{ i + 1 }}</span>
          </button>
        </li>
      </ul>
      <button type="button" class="press mt-2" @click="add">Add work done before</button>
      <ProblemNote
        v-if="problem?.problems?.some((p) => p.pointer?.startsWith('/before') || p.pointer?.startsWith('/changes'))"
        :problem="problem"
        :asking="false"
        :can-retry="false"
        @dismiss="takeIn.dismiss"
      />
    </fieldset>
  </section>
</template>
