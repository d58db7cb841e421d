<script setup lang="ts">
import { ref } from 'vue'
import { day } from '@/shared/format'
import type { HeadCare } from './useHeadCare'

defineProps<{
  /** Head care of the job. */
  care: HeadCare
  /** A write is under way. */
  busy: boolean
  /** Whether this person may write. */
  may: boolean
}>()
const emit = defineEmits<{ tell: [paper: string, thickness: string] }>()
const paper = ref('')
const thickness = ref('')
function tell() {
  emit('tell', paper.value, thickness.value)
  paper.value = thickness.value = ''
}
</script>

<template>
  <section class="panel p-3" aria-labelledby="build-up-title" data-testid="build-up">
    <h2 id="build-up-title" class="text-base">Build-up under the head</h2>
    <p class="text-soft">Smudges without gaps. Blot, wipe, thickness and paper: no cleaning cycle cures it.</p>
    <ul v-if="care.buildUps.length">
      <li v-for="b in care.buildUps" :key="b.paper" class="border-t border-line py-1.5">
        <b>{{ b.paper }}</b>
        <template v-if="b.thickness">, thickness {{ b.thickness }}</template>
        <span class="text-soft">: last {{ day(b.last) }}, {{ b.times === 1 ? 'once' : `${b.times} times` }}.</span>
        <template v-if="b.next && b.nextFrom">
          Again about {{ day(b.next) }}, from {{ day(b.nextFrom) }}: look before it smudges.
        </template>
        <template v-else> Expect it again on this stock.</template>
      </li>
    </ul>
    <form v-if="care.open && may" class="mt-1 flex flex-wrap items-end gap-2" @submit.prevent="tell">
      <label class="grid gap-0.5"
        >Paper it smudged on<input v-model="paper" class="field w-52" required maxlength="80"
      /></label>
      <label class="grid gap-0.5"
        >Thickness that was set<input v-model="thickness" class="field w-40" maxlength="40"
      /></label>
      <button type="submit" class="press" :disabled="busy || !paper.trim()">Put on record</button>
    </form>
  </section>
</template>
