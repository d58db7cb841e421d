<script setup lang="ts">
import { computed, ref, watchEffect } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useBoard } from '@/shared/state/useBoard'
import { useSession } from '@/shared/state/useSession'
import { useShop } from '@/shared/state/useShop'
import { useCrafts } from '@/shared/crafts/craft'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import ClocksPanel from './ClocksPanel.vue'
import ClosedCard from './ClosedCard.vue'
import CloseDialog from './CloseDialog.vue'
import DoubtNote from './DoubtNote.vue'
import EvidencePanel from './EvidencePanel.vue'
import HeldBack from './HeldBack.vue'
import JobActions from './JobActions.vue'
import JobHead from './JobHead.vue'
import JobSchools from './JobSchools.vue'
import MachineFacts from './MachineFacts.vue'
import NextCard from './NextCard.vue'
import PathMap from './PathMap.vue'
import QuickEntry from './QuickEntry.vue'
import RecordList from './RecordList.vue'
import SpentPanel from './SpentPanel.vue'
import StationDialog from './StationDialog.vue'
import ThreadDialog from './ThreadDialog.vue'
import ThreadTabs from './ThreadTabs.vue'
import TrayPanel from './TrayPanel.vue'
import WhyDialog from './WhyDialog.vue'
import { useJob, type Step } from './useJob'

const props = defineProps<{
  /** Number of the job. */
  id: number
}>()
const route = useRoute()
const thread = computed(() => Number(route.query.thread ?? 0) || 0)
const desk = useJob(props.id, thread)
const shop = useShop()
const { job, query, busy, asking, problem, canRetry } = desk
const cards = useCrafts().flatMap((craft) => craft.benchCards)
const session = useSession()
const router = useRouter()
const { places, data: board } = useBoard()
const jobs = computed(() => board.value?.jobs ?? [])
watchEffect(() => {
  if (job.value) document.title = `${job.value.tag} ${job.value.machine} · Side Bench`
})
// The number on the tag leads here too.
watchEffect(() => {
  const tagged = query.error.value && !job.value ? jobs.value.find((j) => j.tag === props.id) : undefined
  if (tagged) void router.replace(`/bench/${tagged.id}`)
})
// Who opens the job is shown a thread that still has work, not one that has ended; later each is shown as it is asked for.
let opened = false
watchEffect(() => {
  if (!job.value || opened) return
  opened = true
  const open = job.value.threads.find((t) => !t.how)
  if (!route.query.thread && !job.value.threadOpen && open) void showThread(open.id)
})
const mayBench = computed(() => session.mayBench)
const freePlaces = computed(() => places.value.filter((p) => !p.job).map((p) => p.place))
const chosen = ref<Step | null>(null)
const station = ref('')
const closing = ref('')
const why = ref('')
const word = ref('')
const opening = ref(false)
const showThread = (id: number) => router.replace({ query: id ? { thread: String(id) } : {} })

type Said<T> = Omit<T, 'finding' | 'repair' | 'minutes' | 'slots'>
async function answer(said: Said<Parameters<typeof desk.answer>[0]>) {
  const step = chosen.value ?? job.value?.advice.step
  if (step && (await desk.answer({ ...said, finding: step.id }))) chosen.value = null
}

async function mend(said: Said<Parameters<typeof desk.mend>[0]>) {
  const step = chosen.value ?? job.value?.advice.step
  if (step && (await desk.mend({ ...said, repair: step.id, minutes: null }))) chosen.value = null
}

function choose(step: Step | null) {
  chosen.value = step
  station.value = ''
}
async function openThread(complaint: string, slot: number, words: string) {
  const before = job.value?.threads.map((t) => t.id) ?? []
  if (!(await desk.openThread({ complaint, slot, words }))) return
  opening.value = false
  await showThread(Math.max(...before) + 1)
}

async function closed(last: boolean) {
  closing.value = ''
  if (last) await router.push(`/bench/${props.id}/hand-over`)
  else await showThread(job.value?.threads.find((t) => !t.how)?.id ?? 0)
}
const clearAll = () => desk.clearTray({ items: job.value?.tray.map((i) => i.id) ?? [] })
</script>

<template>
  <LoadState
    :pending="query.isPending.value"
    :error="query.error.value && !job ? query.error.value : null"
    what="the job"
    @retry="query.refetch()"
  >
    <article v-if="job" :data-version="job.version" data-testid="bench">
      <!-- One view: what is longer than its column scrolls in it, so that nothing that matters is below the fold. -->
      <div class="lg:flex lg:h-[max(41rem,calc(100dvh-6.2rem))] lg:flex-col">
        <JobHead :job="job">
          <button
            v-if="mayBench && !job.closedHow"
            type="button"
            class="press press-plain px-2"
            @click="opening = true"
          >
            + another symptom
          </button>
        </JobHead>
        <DoubtNote class="mb-3" :doubts="job.doubts" />
        <ThreadTabs :job="job" @show="showThread" />
        <ProblemNote
          v-if="!closing && !opening"
          class="mb-3"
          :problem="problem"
          :can-retry="canRetry"
          :waits="desk.waits.value"
          :asking="asking"
          @retry="desk.retry"
          @over="desk.sayOver"
          @dismiss="desk.dismiss"
        />
        <div class="flex flex-col lg:min-h-0 lg:flex-1">
          <PathMap :job="job" class="order-2 mb-2 shrink-0 md:order-1" @station="station = $event" />
          <div
            class="order-1 mb-3 grid items-start gap-2 lg:mb-2 lg:min-h-0 lg:flex-1 lg:grid-rows-[minmax(0,1fr)] lg:text-[15px] lg:leading-snug md:order-2 md:mb-0 lg:grid-cols-[minmax(0,1.35fr)_minmax(0,0.95fr)_minmax(220px,0.6fr)]"
          >
            <ClosedCard
              v-if="job.closedHow || !job.threadOpen"
              :job="job"
              :busy="busy"
              :may-bench="mayBench"
              @reopen="desk.takeBack({ entry: $event, reason: 'closed too early' })"
            />
            <NextCard
              v-else
              :job="job"
              :chosen="chosen"
              :busy="busy"
              :may-bench="mayBench"
              @answer="answer"
              @mend="mend"
              @choose="choose"
              @clear-tray="clearAll"
              @close="closing = $event"
              @word="word = job.advice.word?.word ?? ''"
              @shelf="(part, here) => shop.part(part, here)"
            />
            <div class="space-y-2 lg:max-h-full lg:overflow-y-auto">
              <QuickEntry
                v-if="job.threadOpen && mayBench"
                :job="job"
                :busy="busy"
                @tell="
                  (finding, outcome, quantity, slot, code) =>
                    desk.answer({ finding, outcome, quantity, coveragePct: null, slot, code })
                "
              />
              <HeldBack
                :job="job"
                :may-bench="mayBench"
                :word="word"
                @asked="word = ''"
                @override="(step, reason) => desk.override({ step, reason })"
                @consent="(what, by) => desk.consent({ what, by })"
              />
              <EvidencePanel
                :job="job"
                :busy="busy"
                :may-bench="mayBench"
                @take-back="desk.takeBack({ entry: $event, reason: '' })"
              />
            </div>
            <div class="space-y-2 lg:max-h-full lg:overflow-y-auto">
              <TrayPanel :job="job" :desk="desk" :may-bench="mayBench" />
              <ClocksPanel
                :job="job"
                :busy="busy"
                :may-bench="mayBench"
                @start="(kind, label, minMinutes) => desk.startClock({ kind, label, minMinutes, maxMinutes: null })"
                @stop="desk.stopClock({ clock: $event })"
              />
              <SpentPanel :job="job" />
            </div>
          </div>
        </div>
        <JobActions
          class="mt-3"
          :job="job"
          :desk="desk"
          :may-bench="mayBench"
          :free-places="freePlaces"
          @close="closing = job.proved ? 'verified' : 'unproved'"
        />
      </div>
      <MachineFacts class="mt-3" :job="job" />
      <JobSchools
        class="mt-3"
        :job="job"
        :disabled="busy || !mayBench"
        @choose="(school, option) => desk.school({ school, option })"
      />
      <section class="panel mt-3" aria-labelledby="lines-title">
        <h2 id="lines-title" class="text-base">Entries of this job</h2>
        <RecordList :entries="job.entries" />
      </section>
      <component :is="card" v-for="(card, i) in cards" :key="i" class="mt-3" :job="job" />
      <StationDialog
        :job-id="id"
        :thread="job.thread"
        :station="station"
        @close="station = ''"
        @choose="choose"
        @why="((station = ''), (why = $event))"
      />
      <WhyDialog :job-id="id" :thread="job.thread" :cause="why" @close="why = ''" />
      <ThreadDialog :open="opening" :job="job" :desk="desk" @close="opening = false" @send="openThread" />
      <CloseDialog
        :open="closing !== ''"
        :job="job"
        :desk="desk"
        :how="closing || 'verified'"
        @close="closing = ''"
        @closed="closed"
      />
    </article>
  </LoadState>
</template>
