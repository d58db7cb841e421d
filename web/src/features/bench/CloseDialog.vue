<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { percent } from '@/shared/format'
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
  /** The ending offered first. */
  how: string
}>()
const emit = defineEmits<{ close: []; closed: [last: boolean] }>()
const picked = ref(props.how)
const reason = ref('')
const cause = ref('')
watch(
  () => props.open,
  () => (picked.value = props.how),
)
const one = computed(() => props.job.threads.filter((t) => !t.how).length > 1)
const ways = computed(() => [
  { id: 'verified', name: 'Verified', says: props.job.proved ? 'mended, and proved' : 'not yet: no repair is proved' },
  { id: 'handed-back', name: 'Handed back unmended', says: 'with the findings' },
  { id: 'unproved', name: 'Closed unproved', says: 'mended, but not proved' },
])

async function send(waitOver: string | null = null) {
  const last = props.job.threads.filter((t) => !t.how).length <= 1
  if (
    await props.desk.close({
      how: picked.value,
      reason: reason.value,
      cause: picked.value === 'verified' ? cause.value : '',
      waitOver,
    })
  )
    emit('closed', last)
}
</script>

<template>
  <AppDialog :open="open" :title="one ? 'Close this thread' : 'Close the job'" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="send()">
      <fieldset>
        <legend class="font-bold">How it ends</legend>
        <label v-for="w in ways" :key="w.id" class="flex min-h-11 items-center gap-2">
          <input v-model="picked" type="radio" :value="w.id" />
          <span>
            <strong>{{ w.name }}</strong>: {{ w.says }}
          </span>
        </label>
      </fieldset>
      <p v-if="one" class="text-soft">The other threads of this machine stay open.</p>
      <label v-if="picked === 'verified' && job.endable.length > 1" class="block">
        <span class="font-bold">What it was</span>
        <select v-model="cause" class="field">
          <option value="">{{ job.endable[0]?.name }} ({{ percent(job.endable[0]?.ratio ?? 0) }})</option>
          <option v-for="c in job.endable.slice(1)" :key="c.id" :value="c.id">
            {{ c.name }} ({{ percent(c.ratio) }})
          </option>
        </select>
      </label>
      <div v-if="job.tray.length && !one" class="rounded-r border-l-4 border-stop bg-stop-tint p-3">
        <p><strong>The tray is not clear:</strong> {{ job.tray.map((i) => `${i.label} ${i.change}`).join(', ') }}.</p>
        <button type="button" class="press mt-2" @click="desk.clearTray({ items: job.tray.map((i) => i.id) })">
          All back: clear the tray
        </button>
      </div>
      <label class="block">
        <span class="font-bold">Reason</span>
        <span class="text-sm text-soft">: needed unless it is verified with a clear tray</span>
        <textarea v-model="reason" class="field" rows="3"></textarea>
      </label>
      <ProblemNote
        :problem="desk.problem.value"
        :asking="desk.asking.value"
        :can-retry="desk.canRetry.value"
        @retry="desk.retry"
        @over="send"
        @dismiss="desk.dismiss"
      />
      <button type="submit" class="press press-main" :disabled="desk.busy.value">
        {{ one ? 'Close this thread' : 'Close the job' }}
      </button>
    </form>
  </AppDialog>
</template>
