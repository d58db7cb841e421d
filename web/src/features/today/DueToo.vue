<script setup lang="ts">
import { moment } from '@/shared/format'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import { reminderPage, useReminders, type Day } from './useDay'

defineProps<{
  /** The plan. */
  day: Day
  /** The server's time, ms. */
  now: number
  /** Whether this person may say that something was seen to. */
  may?: boolean
}>()
const desk = useReminders()
const date = (day: string) =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' })
</script>

<template>
  <section v-if="day.reminders.length" class="panel py-2" aria-labelledby="due-too" data-testid="due-too">
    <h2 id="due-too" class="text-base">Due as well</h2>
    <ProblemNote
      :problem="desk.problem.value"
      :asking="desk.asking.value"
      :can-retry="desk.canRetry.value"
      @retry="desk.retry()"
      @dismiss="desk.dismiss"
    />
    <ul class="divide-y divide-line">
      <li v-for="r in day.reminders" :key="r.key" class="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
        <RouterLink
          :to="reminderPage(r.key)"
          class="inline-flex min-h-11 min-w-0 flex-1 basis-52 flex-col justify-center"
        >
          <strong class="underline underline-offset-3">{{ r.says }}</strong>
          <span class="text-sm text-soft">{{ r.about }}</span>
        </RouterLink>
        <span class="text-sm">
          by <b class="font-mono">{{ date(r.due) }}</b><template v-if="r.from"
            >, {{ r.name }} {{ moment(r.from, new Date(now)) }}</template
          >
        </span>
        <button
          v-if="may"
          type="button"
          class="press no-print"
          :disabled="desk.busy.value"
          @click="desk.done({ of: r.key })"
        >
          Seen to<span class="sr-only">: {{ r.says }}, {{ r.about }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
