<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { Bench, JobDesk } from './useJob'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** The job. */
  job: Bench
  /** Its writes. */
  desk: JobDesk
}>()
const emit = defineEmits<{ close: []; send: [complaint: string, slot: number, words: string] }>()
const complaint = ref('')
const slot = ref(0)
const words = ref('')
const choices = useQuery({
  queryKey: ['choices'],
  queryFn: () => dataOf(api.GET('/api/take-in/choices')),
  enabled: computed(() => props.open),
})
const fitting = computed(() => {
  const model = choices.data.value?.models.find((m) => m.id === props.job.modelId)
  return (choices.data.value?.complaints ?? []).filter((c) => model?.complaints.includes(c.id))
})
</script>

<template>
  <AppDialog :open="open" title="Another symptom of this machine" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="emit('send', complaint, slot, words)">
      <p class="text-soft">
        It gets odds and advice of its own. What was told of the whole machine counts for both; closing one leaves the
        other open.
      </p>
      <label class="block">
        <span class="font-bold">Which is it nearest to?</span>
        <select v-model="complaint" class="field" required>
          <option value="" disabled>Choose one</option>
          <option v-for="c in fitting" :key="c.id" :value="c.id">{{ c.name }}</option>
        </select>
      </label>
      <label class="block">
        <span class="font-bold">Where</span>
        <select v-model.number="slot" class="field">
          <option :value="0">the machine as a whole</option>
          <option v-for="s in job.slots" :key="s.panel" :value="s.panel">{{ s.panel }} {{ s.ink }}</option>
        </select>
      </label>
      <label class="block">
        <span class="font-bold">What is seen</span>
        <input v-model="words" class="field" maxlength="2000" />
      </label>
      <ProblemNote
        :problem="desk.problem.value"
        :asking="desk.asking.value"
        :can-retry="desk.canRetry.value"
        @retry="desk.retry"
        @dismiss="desk.dismiss"
      />
      <button type="submit" class="press press-main" :disabled="desk.busy.value">Open the thread</button>
    </form>
  </AppDialog>
</template>
