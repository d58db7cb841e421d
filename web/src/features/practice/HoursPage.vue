<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { loadAnew } from '@/shared/state/loadAnew'
import { useSession } from '@/shared/state/useSession'
import LoadState from '@/shared/ui/LoadState.vue'
import DayRules from './DayRules.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import { useWrites } from '@/shared/write/useWrites'

const queries = useQueryClient()
const session = useSession()
const owner = computed(() => session.person?.role === 'Owner')
const query = useQuery({ queryKey: ['hours'], queryFn: () => dataOf(api.GET('/api/day/hours')) })
const writes = useWrites<unknown>({
  about: 'shop',
  stamp: () => ({ seenVersion: query.data.value?.version ?? 0 }),
  written: () => loadAnew(queries),
  refetch: () => query.refetch(),
})
const set = writes.write((body: Api<'HoursRequest'>) => dataOf(api.POST('/api/day/hours', { body })))
const rule = writes.write((body: Api<'DayRuleRequest'>) => dataOf(api.POST('/api/day/rules', { body })))
const calendar = useQuery({
  queryKey: ['calendar'],
  enabled: owner,
  queryFn: () => dataOf(api.GET('/api/day/calendar')),
})
const renewing = writes.write((body: Api<'CalendarRenewRequest'>) =>
  dataOf(api.POST('/api/day/calendar/renew', { body })),
)
const address = computed(() =>
  calendar.data.value?.path ? `${window.location.origin}${calendar.data.value.path}` : '',
)
const single = ref({ of: 0, day: '', hours: '', why: '' })
const typed = ref<Record<string, string>>({})
const keyOf = (of: number, day: string) => `${of} ${day}`
const valueOf = (of: number, day: string, hours: string) => typed.value[keyOf(of, day)] ?? hours
async function save(of: number, weekday: string) {
  const hours = typed.value[keyOf(of, weekday)]
  if (hours === undefined) return
  if (await set({ of, weekday, day: null, hours, why: '' })) delete typed.value[keyOf(of, weekday)]
}
async function saveDay() {
  const { of, day, hours, why } = single.value
  if (await set({ of, weekday: null, day: day || null, hours, why }))
    single.value = { of: 0, day: '', hours: '', why: '' }
}
</script>

<template>
  <h1 class="mb-1 text-2xl">Hours</h1>
  <p class="mb-3 text-soft">
    The day is planned within them. Spans such as 09:00-12:30 13:00-17:00; empty is closed, or off. A person’s hours lie
    within the shop’s.
  </p>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the hours" @retry="query.refetch()">
    <ProblemNote
      class="mb-3"
      :problem="writes.problem.value"
      :asking="writes.asking.value"
      :can-retry="writes.canRetry.value"
      @retry="writes.retry"
      @dismiss="writes.dismiss"
    />
    <div
      v-if="query.data.value"
      class="grid items-start gap-3 lg:grid-cols-2"
      data-testid="hours"
      :data-version="query.data.value.version"
    >
      <section v-for="p in query.data.value.people" :key="p.of" class="panel p-3" :aria-labelledby="`hours-${p.of}`">
        <h2 :id="`hours-${p.of}`" class="text-lg">{{ p.of === 0 ? 'The shop' : p.name }}</h2>
        <form
          v-for="d in p.week"
          :key="d.day"
          class="flex flex-wrap items-center gap-2 py-0.5"
          @submit.prevent="save(p.of, d.day)"
        >
          <label class="w-28" :for="`h-${p.of}-${d.day}`">{{ d.day }}</label>
          <input
            :id="`h-${p.of}-${d.day}`"
            class="field min-w-0 flex-1 basis-48 font-mono"
            :value="valueOf(p.of, d.day, d.hours)"
            :disabled="!owner"
            :placeholder="p.of === 0 ? 'closed' : 'off'"
            maxlength="200"
            @input="typed[keyOf(p.of, d.day)] = ($event.target as HTMLInputElement).value"
          />
          <button class="press" :disabled="!owner || writes.busy.value || typed[keyOf(p.of, d.day)] === undefined">
            Set<span class="sr-only">: {{ p.name }}, {{ d.day }}</span>
          </button>
        </form>
      </section>
      <DayRules :rules="query.data.value.rules" :owner="owner" :busy="writes.busy.value" :set="rule" />
      <section v-if="owner" class="panel p-3" aria-labelledby="calendar-title" data-testid="calendar">
        <h2 id="calendar-title" class="text-lg">A calendar of the day</h2>
        <p>
          Promises, clocks longer than an hour, return days, bottles and stores that fill, for any calendar to fetch.
        </p>
        <label v-if="address" class="block"
          >Its address; who has it sees them <input class="field font-mono" :value="address" readonly
        /></label>
        <p v-else class="text-soft">There is no address yet.</p>
        <button type="button" class="press mt-2" :disabled="writes.busy.value" @click="renewing({ oldStops: true })">
          {{ address ? 'A new address; the old one stops' : 'Make an address' }}
        </button>
      </section>
      <section class="panel p-3" aria-labelledby="single-title">
        <h2 id="single-title" class="text-lg">Single days</h2>
        <ul>
          <li v-for="d in query.data.value.days" :key="`${d.of} ${d.day}`" class="border-t border-line py-1.5">
            <b class="font-mono">{{ d.day }}</b> {{ d.name }}: {{ d.hours || (d.of === 0 ? 'closed' : 'off') }}
          </li>
        </ul>
        <form v-if="owner" class="space-y-2" @submit.prevent="saveDay">
          <label class="block"
            >Whose
            <select v-model="single.of" class="field">
              <option v-for="p in query.data.value.people" :key="p.of" :value="p.of">
                {{ p.of === 0 ? 'The shop' : p.name }}
              </option>
            </select></label
          >
          <label class="block">Day <input v-model="single.day" class="field" type="date" required /></label>
          <label class="block"
            >Hours, empty for closed or off <input v-model="single.hours" class="field font-mono" maxlength="200"
          /></label>
          <label class="block">Why <input v-model="single.why" class="field" maxlength="120" /></label>
          <button class="press press-main" :disabled="writes.busy.value">Set the day</button>
        </form>
      </section>
    </div>
  </LoadState>
</template>
