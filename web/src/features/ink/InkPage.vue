<script setup lang="ts">
import { computed, ref } from 'vue'
import { counted } from '@/shared/format'
import { useQuery } from '@tanstack/vue-query'
import { api, dataOf } from '@/shared/api/client'
import { useKeys } from '@/shared/state/useKeys'
import { useSession } from '@/shared/state/useSession'
import KeyCap from '@/shared/ui/KeyCap.vue'
import JobPage from '@/shared/ui/JobPage.vue'
import AheadPanels from './AheadPanels.vue'
import ChipsDialog from './ChipsDialog.vue'
import FitDialog from './FitDialog.vue'
import NumberLook from './NumberLook.vue'
import ResetSession from './ResetSession.vue'
import RunCheck from './RunCheck.vue'
import SlotCard from './SlotCard.vue'
import SlotDialog, { type SlotAct } from './SlotDialog.vue'
import SlotPair from './SlotPair.vue'
import VisitCard from './VisitCard.vue'
import { useInk } from './useInk'

const props = defineProps<{
  /** Number of the job. */
  id: number
}>()
const session = useSession()
const desk = useInk(props.id)
const { page: ink } = desk
const picked = ref(0)
const act = ref<SlotAct | null>(null)
const dialog = ref<'' | 'chips' | 'fit' | 'session'>('')
const rank = ['air', 'now', 'unknown', 'soon', 'fine']
const slot = computed(() => {
  const slots = ink.value?.slots ?? []
  const worst = [...slots].sort((a, b) => rank.indexOf(a.urgency) - rank.indexOf(b.urgency))[0]
  return slots.find((s) => s.panel === picked.value) ?? worst ?? null
})
const may = computed(() => session.mayBench && !!ink.value?.open)
const hasCounts = computed(() => ink.value?.slots.some((s) => s.hasCount) ?? false)
const filled = computed(() => ink.value?.slots.some((s) => s.isFilled) ?? false)
const shelf = useQuery({ queryKey: ['shelf'], queryFn: () => dataOf(api.GET('/api/shelf')) })
/** What is left in bottles of an ink, by its name; none when the shelf tells of none. */
const bottles = computed(() => {
  const left: Record<string, { name: string; ml: number }> = {}
  for (const i of shelf.data.value?.items ?? []) {
    const of = ink.value?.slots.find(
      (s) => i.kind === 'ink' && i.for.toLowerCase().startsWith(`${s.ink.toLowerCase()} `),
    )
    if (of && i.left > 0) left[of.ink] = { name: left[of.ink]?.name ?? i.name, ml: (left[of.ink]?.ml ?? 0) + i.left }
  }
  return left
})
// Plugs that lie on the tray go back first; then the visit is done.
async function doVisit() {
  const items = ink.value?.plugItems ?? []
  if (items.length) {
    if (!(await desk.plugsBack({ items: [...items], waitOver: null }))) return
    await desk.query.refetch()
  }
  await desk.visit({})
}
const asking = computed(() => act.value !== null || dialog.value !== '')
const years = 104
const lasts = (weeks: number) => (weeks > years ? 'more than two years' : `about ${counted(Math.round(weeks), 'week')}`)
function step(by: number) {
  const slots = ink.value?.slots ?? []
  const at = slots.findIndex((s) => s.panel === slot.value?.panel)
  picked.value = slots[(at + by + slots.length) % slots.length]?.panel ?? 0
}
useKeys(() => [
  { key: 'S', does: 'slot by slot', run: () => may.value && filled.value && (dialog.value = 'session') },
  { key: '+', does: 'next slot', run: () => step(1) },
  { key: '-', does: 'slot before', run: () => step(-1) },
])
</script>

<template>
  <JobPage :desk="desk" what="ink and chips" data-testid="ink" :quiet="asking" @retry="desk.retry()">
    <template v-if="ink" #head>
      <span class="rounded bg-ink px-2 py-1 font-mono text-lg font-bold text-sheet">{{ ink.tag }}</span>
      <h1 class="text-2xl">Ink and chips</h1>
      <p class="min-w-0 flex-1 basis-60 text-soft">
        {{ ink.model }}<template v-if="ink.fitted"> · {{ ink.fitted }}</template>
      </p>
      <span v-if="ink.pressesLeft !== null" class="chip">
        resets left <b class="font-mono">{{ ink.pressesLeft }} of {{ ink.presses }}</b
        ><template v-if="ink.boardWeeks !== null">, {{ lasts(ink.boardWeeks) }}</template>
      </span>
      <button
        v-if="hasCounts && ink.open"
        type="button"
        class="press no-print"
        :disabled="!may"
        @click="dialog = 'chips'"
      >
        <KeyCap of="C" /> Chips read
      </button>
    </template>
    <template v-if="ink && slot">
      <section class="panel p-2" aria-label="All slots">
        <p class="flex flex-wrap gap-x-4 px-1 text-sm text-soft">
          <span v-if="hasCounts">Hatched: what the chip says, %.</span
          ><span>Colour: what is in it, ml, and its band.</span
          ><span v-if="hasCounts">Red line: the chip reading at which it runs dry.</span>
        </p>
        <div class="mt-1 flex flex-wrap justify-center gap-1">
          <SlotPair
            v-for="s in ink.slots"
            :key="s.panel"
            class="max-w-44 flex-1 basis-[6.2rem]"
            :of="s"
            :chosen="s.panel === slot.panel"
            @choose="picked = s.panel"
          />
        </div>
      </section>
      <div
        class="mt-2 grid grid-cols-[minmax(0,1fr)] items-start gap-2 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1.2fr)_minmax(0,1fr)]"
      >
        <VisitCard
          :ink="ink"
          :busy="desk.busy.value"
          :may="session.mayBench"
          :bottles="bottles"
          @plugs="desk.plugsOut({ label: 'fill plugs', change: 'off', count: $event })"
          @done="doVisit"
          @chips="dialog = 'chips'"
          @session="dialog = 'session'"
        />
        <SlotCard :ink="ink" :of="slot" :may="may" @act="act = $event" @fit="dialog = 'fit'" />
        <div class="no-print grid grid-cols-[minmax(0,1fr)] gap-2">
          <RunCheck :job="id" :version="ink.version" />
          <section class="panel p-3" aria-labelledby="look-title">
            <h2 id="look-title" class="text-base">Is this the right one?</h2>
            <NumberLook class="mt-1" :job="id" :of="0" />
          </section>
        </div>
      </div>
      <AheadPanels class="mt-2" :ink="ink" />
      <nav class="no-print mt-3 flex flex-wrap gap-2" aria-label="From here">
        <RouterLink class="press" :to="`/bench/${id}`"><KeyCap of="B" /> Bench</RouterLink>
        <RouterLink class="press" :to="`/bench/${id}/opening`">Guides for this machine</RouterLink>
        <RouterLink class="press" to="/shelf">Shelf</RouterLink>
        <RouterLink class="press" to="/sums">Sums</RouterLink>
      </nav>
      <ChipsDialog :open="dialog === 'chips'" :ink="ink" :desk="desk" @close="dialog = ''" />
      <ResetSession :open="dialog === 'session'" :ink="ink" :desk="desk" @close="dialog = ''" />
      <FitDialog :open="dialog === 'fit'" :of="slot" :ink="ink" :desk="desk" @close="dialog = ''" />
      <SlotDialog :act="act" :of="slot" :all="ink.slots" :desk="desk" @close="act = null" />
    </template>
  </JobPage>
</template>
