<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { moment, percent } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { Day, DayDesk, DayJob } from './useDay'

const props = defineProps<{
  /** The job; null while closed. */
  job: DayJob | null
  /** The plan. */
  day: Day
  /** The writes. */
  desk: DayDesk
  /** The time that it was drawn to, ms; null when it was not. */
  to?: number | null
}>()
const emit = defineEmits<{ close: [] }>()
const of = ref(0)
const time = ref('')
watch(
  () => props.job?.id,
  () => {
    of.value = 0
    time.value = props.to ? localTime(props.to) : ''
  },
)
// What the field of a time takes: the wall clock here, to the minute.
function localTime(ms: number) {
  const at = new Date(ms - new Date(ms).getTimezoneOffset() * 60_000)
  return at.toISOString().slice(0, 16)
}
const from = computed(() => (time.value ? new Date(time.value).toISOString() : null))
const asks = computed(() => props.job !== null && (of.value > 0 || !!time.value))
const price = useQuery({
  queryKey: computed(() => ['board', 'pin-price', props.job?.id, of.value, from.value]),
  enabled: asks,
  queryFn: () =>
    dataOf(
      api.GET('/api/day/pin-price', {
        params: { query: { job: props.job!.id, of: of.value, from: from.value ?? undefined } },
      }),
    ),
})
const next = computed(() => props.job?.pieces[0] ?? null)
async function save(free: boolean) {
  if (await props.desk.pin(props.job!, of.value, free ? null : from.value, free)) emit('close')
}
</script>

<template>
  <AppDialog :open="job !== null" :title="job ? `${job.tag}: its next piece` : ''" @close="emit('close')">
    <form v-if="job" class="space-y-3" data-testid="pin-dialog" @submit.prevent="save(false)">
      <p v-if="next">
        <b>{{ next.says }}</b>, planned for {{ moment(next.from) }}.
        <template v-if="job.kept !== null">Its promise holds {{ percent(Math.min(0.999, job.kept)) }}.</template>
      </p>
      <p v-if="job.pinned" class="border-l-4 border-hands bg-hands-tint px-3 py-1.5">
        Pinned: {{ job.pinned }}<template v-if="job.pinnedFrom">, at {{ moment(job.pinnedFrom) }}</template
        >.
      </p>
      <div class="flex flex-wrap gap-2" role="group" aria-label="Whose">
        <button
          v-for="h in [{ id: 0, name: 'Whoever comes' }, ...day.hands]"
          :key="h.id"
          type="button"
          class="press"
          :aria-pressed="of === h.id"
          :class="of === h.id ? 'press-main' : ''"
          @click="of = h.id"
        >
          {{ h.name }}
        </button>
      </div>
      <label class="block"
        >Begins at; empty for as soon as it can <input v-model="time" class="field" type="datetime-local"
      /></label>
      <div v-if="asks && price.data.value" class="border-l-4 border-hands bg-hands-tint px-3 py-1.5" role="status">
        <p>
          <template v-if="price.data.value.begins">Begins {{ moment(price.data.value.begins) }}</template
          ><template v-else>No room in the days that are planned</template>, done about
          {{ moment(price.data.value.done) }}.
          <template v-if="!price.data.value.harms.length">It harms no promise.</template>
        </p>
        <p v-for="h in price.data.value.harms" :key="h.tag">
          <b class="font-mono">{{ h.tag }}</b> {{ h.machine }}: holds {{ percent(h.before) }} now,
          <b class="text-stop">{{ percent(h.after) }}</b> then
        </p>
      </div>
      <ProblemNote :problem="desk.problem.value" @dismiss="desk.dismiss" />
      <div class="flex flex-wrap gap-2">
        <button class="press press-main flex-1" :disabled="desk.busy.value || (of === 0 && !time)">Pin it</button>
        <button v-if="job.pinned" type="button" class="press" :disabled="desk.busy.value" @click="save(true)">
          Let it go
        </button>
        <RouterLink class="press" :to="`/bench/${job.id}`">To its bench</RouterLink>
      </div>
    </form>
  </AppDialog>
</template>
