<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import AppDialog from '@/shared/ui/AppDialog.vue'
import type { Api } from '@/shared/api/client'
import type { Bench } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
  /** Whether this person may go past a gate. */
  mayBench: boolean
  /** The customer's word that is asked for from elsewhere on the page; empty when none. */
  word: string
}>()
const emit = defineEmits<{ override: [step: string, reason: string]; consent: [what: string, by: string]; asked: [] }>()
const names = computed(() => {
  const all = [...new Set(props.job.held.flatMap((g) => g.steps.map((s) => s.stepName.toLowerCase())))]
  return all.length > 4 ? `${all.slice(0, 3).join(', ')} and ${all.length - 3} more` : all.join(', ')
})
/** A word that is wanted is in sight at once. */
const shown = computed(() => props.job.advice.word !== null && props.job.held.some((g) => g.word))
const past = ref<Api<'HeldView'> | null>(null)
const asking = ref('')
const text = ref('')
watch(
  () => props.word,
  (word) => word && (asking.value = word),
)

function stop() {
  past.value = null
  asking.value = ''
  text.value = ''
  emit('asked')
}

function send() {
  if (past.value) emit('override', past.value.stepId, text.value)
  else emit('consent', asking.value, text.value)
  stop()
}
</script>

<template>
  <section v-if="(job.held.length || asking) && job.threadOpen" aria-label="Not now" data-testid="held">
    <details class="rounded-r border-l-4 border-stop bg-stop-tint px-3 py-1" :open="shown">
      <summary class="min-h-11 cursor-pointer content-center">
        <strong>Not now:</strong> {{ names }}. <span class="underline underline-offset-3">why</span>
      </summary>
      <div v-for="group in job.held" :key="group.gate" class="border-t border-stop/30 py-2" :data-gate="group.gate">
        <p>
          <strong>{{ group.steps.map((s) => s.stepName).join('; ') }}.</strong>
          {{ group.reason }}
          <template v-for="s in group.steps.filter((x) => x.spends).slice(-1)" :key="s.stepId">
            {{ s.stepName }} would spend {{ s.spends }}.
          </template>
        </p>
        <p class="text-sm">What would allow it: {{ group.lift }}</p>
        <button v-if="group.word" type="button" class="press mt-2" @click="asking = group.word">
          The customer agrees
        </button>
        <details v-else-if="group.overridable && mayBench" class="mt-1">
          <summary class="min-h-11 cursor-pointer py-2 underline underline-offset-3">
            Do it all the same, with a reason
          </summary>
          <button v-for="s in group.steps" :key="s.stepId" type="button" class="press mr-2 mb-2" @click="past = s">
            {{ s.stepName }}
          </button>
        </details>
      </div>
    </details>
    <AppDialog
      :open="past !== null || asking !== ''"
      :title="past ? `All the same: ${past.stepName}` : 'The customer agrees'"
      @close="stop"
    >
      <form class="space-y-3" @submit.prevent="send">
        <p v-if="past">{{ past.reason }} The record keeps that it was done all the same, and why.</p>
        <label class="block font-bold" for="held-text">{{ past ? 'Why' : 'Who said so, and how' }}</label>
        <input id="held-text" v-model="text" class="field" required maxlength="120" />
        <button type="submit" class="press press-main">{{ past ? 'Do it all the same' : 'Record the word' }}</button>
      </form>
    </AppDialog>
  </section>
</template>
