<script setup lang="ts">
import { computed, ref } from 'vue'
import { counted } from '@/shared/format'
import { useMinute, useNow } from '@/shared/state/useNow'
import { useSession } from '@/shared/state/useSession'
import { standingNow, useBoard } from '@/shared/state/useBoard'
import BackupNote from '@/features/accounts/BackupNote.vue'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import DayLines from './DayLines.vue'
import DaySheet from './DaySheet.vue'
import DueToo from './DueToo.vue'
import NowCards from './NowCards.vue'
import PinDialog from './PinDialog.vue'
import TodayRow from './TodayRow.vue'
import WalkIn from './WalkIn.vue'
import WeekLoad from './WeekLoad.vue'
import { useDay, type DayJob } from './useDay'

const { data, isPending, error, refetch } = useBoard()
const desk = useDay()
const { day } = desk
const session = useSession()
const now = useNow()
const minute = useMinute()
const picked = ref<DayJob | null>(null)
const groups = [
  { id: 'rings', name: 'A clock is up' },
  { id: 'hands', name: 'Needs hands' },
  { id: 'time', name: 'Time works' },
  { id: 'ready', name: 'Ready to hand over' },
  { id: 'customer', name: 'Waits for the customer' },
  { id: 'parts', name: 'Waits for parts' },
]
const dueTime = (iso: string | null) => (iso ? new Date(iso).getTime() : Infinity)
const shown = computed(() =>
  groups
    .map((g) => ({
      ...g,
      jobs: (data.value?.jobs ?? [])
        .filter((j) => standingNow(j, now.value) === g.id)
        .sort((a, b) => dueTime(a.promiseAt) - dueTime(b.promiseAt)),
    }))
    .filter((g) => g.jobs.length > 0),
)
const today = computed(() =>
  new Date(minute.value).toLocaleDateString(undefined, { weekday: 'long', day: 'numeric', month: 'long' }),
)
const firm = computed(() => (day.value?.jobs ?? []).every((j) => j.kept === null || j.kept >= day.value!.level))
const print = () => window.print()
const drawnTo = ref<number | null>(null)
function pick(job: DayJob, to: number | null = null) {
  if (!session.mayBench) return
  drawnTo.value = to
  picked.value = job
}
</script>

<template>
  <header class="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1">
    <h1 class="text-2xl">Today at the bench</h1>
    <p class="flex-1 text-soft">{{ today }} · {{ counted(data?.jobs.length ?? 0, 'machine') }} here</p>
    <p
      v-if="day && shown.length"
      class="rounded border px-2 py-1"
      :class="firm ? 'border-go bg-go-tint' : 'border-stop bg-stop-tint'"
      data-testid="promises"
    >
      {{ day.says }}
    </p>
    <button type="button" class="press no-print" @click="print">Print</button>
  </header>
  <BackupNote v-if="session.person?.role === 'Owner'" only-wrong class="no-print mb-2" />
  <LoadState :pending="isPending" :error="error" what="the bench" @retry="refetch()">
    <section v-if="shown.length === 0" class="panel">
      <h2 class="text-xl">No machine is here</h2>
      <p>Take one in, and this page says which needs hands next.</p>
      <RouterLink to="/take-in" class="press press-main mt-3">Take a machine in</RouterLink>
    </section>
    <div v-else class="grid grid-cols-[minmax(0,1fr)] gap-2">
      <ProblemNote
        v-if="!picked"
        :problem="desk.problem.value"
        :asking="desk.asking.value"
        :can-retry="desk.canRetry.value"
        @retry="desk.retry()"
        @dismiss="desk.dismiss"
      />
      <LoadState
        :pending="desk.query.isPending.value"
        :error="desk.query.error.value && !day ? desk.query.error.value : null"
        what="the plan"
        @retry="desk.query.refetch()"
      >
        <template v-if="day">
          <p v-if="day.moved" class="border-l-4 border-hands bg-hands-tint px-3 py-1.5" role="status">
            {{ day.moved }}
          </p>
          <NowCards :day="day" :now="minute" />
          <DayLines
            v-if="day.jobs.length"
            :day="day"
            :now="minute"
            :may="session.mayBench"
            @pick="pick($event)"
            @drawn="pick"
          />
          <DaySheet :day="day" :now="minute" />
          <div class="grid gap-2 md:grid-cols-2">
            <WeekLoad :day="day" />
            <WalkIn class="no-print" />
          </div>
          <DueToo :day="day" :now="minute" :may="session.mayBench" />
          <PinDialog :job="picked" :day="day" :desk="desk" :to="drawnTo" @close="picked = null" />
        </template>
      </LoadState>
      <section
        v-for="g in shown"
        :key="g.id"
        class="panel no-print py-2"
        :aria-labelledby="`group-${g.id}`"
        :data-group="g.id"
      >
        <h2 :id="`group-${g.id}`" class="text-base" :class="g.id === 'rings' ? 'text-stop' : ''">{{ g.name }}</h2>
        <ul class="divide-y divide-line">
          <TodayRow v-for="j in g.jobs" :key="j.id" :job="j" :now="now" />
        </ul>
      </section>
    </div>
  </LoadState>
</template>
