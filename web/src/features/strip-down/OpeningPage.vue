<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '@/shared/state/useSession'
import KeyCap from '@/shared/ui/KeyCap.vue'
import JobPage from '@/shared/ui/JobPage.vue'
import PartPhotos from '@/shared/ui/PartPhotos.vue'
import type { Shown } from '@/shared/write/shown'
import type { Answer } from './acts'
import ActCard from './ActCard.vue'
import ChangeCards from './ChangeCards.vue'
import GuideChoice from './GuideChoice.vue'
import OpenAnyway from './OpenAnyway.vue'
import OpeningHead from './OpeningHead.vue'
import PieceDialog from './PieceDialog.vue'
import PutDialog from './PutDialog.vue'
import ReachDialog from './ReachDialog.vue'
import ReasonDialog from './ReasonDialog.vue'
import RenewDialog from './RenewDialog.vue'
import RunHead from './RunHead.vue'
import TrayCards from './TrayCards.vue'
import TrayDialog from './TrayDialog.vue'
import WayList from './WayList.vue'
import { useOpening, type Act, type Opening, type TrayCard } from './useOpening'

const props = defineProps<{
  /** Number of the job. */
  id: number
}>()
const route = useRoute()
const session = useSession()
const desk = useOpening(props.id, () => Number(route.query.thread ?? 0) || 0)
const { opening, busy, problem } = desk
const may = computed(() => session.mayBench && opening.value?.closed === false)
const closing = ref(false)
const picked = ref('')
const reaching = ref(false)
const putting = ref(false)
const counting = ref('')
const renewing = ref<string | null>(null)
const staying = ref<TrayCard | null>(null)
const ending = ref(false)
const changing = ref<Opening['changes'][number] | null>(null)
const choosing = ref(false)
const looked = ref('')
const card = computed(() => opening.value?.tray.find((t) => t.item === looked.value) ?? null)
const acts = computed<Act[]>(() => {
  const o = opening.value
  if (!o) return []
  return closing.value && !o.run ? o.back : o.acts
})
const current = computed(() => acts.value.find((a) => !a.done)?.key ?? '')
const act = computed(
  () => acts.value.find((a) => a.key === picked.value) ?? acts.value.find((a) => a.key === current.value),
)
const group = computed(
  () => opening.value?.parts.flatMap((p) => p.fasteners).find((f) => f.removal === counting.value) ?? null,
)
watch(
  () => opening.value?.version,
  () => (picked.value = ''),
)
// A phone held over the machine does not fall asleep while a guide is followed, where the browser can see to that.
const awake = useWakeLock()
watch(
  () => may.value && !!opening.value?.run,
  (runs) => void (runs ? awake.request('screen') : awake.release()).catch(() => undefined),
  { immediate: true },
)

/** What was told of the act in hand that leaves it in hand: on record, and said where it was pressed. */
const noted = ref('')
watch(
  () => act.value?.key,
  () => (noted.value = ''),
)
async function wouldNot(removal: string, what: string) {
  if (await desk.wouldNot({ removal, what }))
    noted.value = 'On record: it would not move. Do not force it: look for what still holds it, then go on.'
}

async function answer(a: Answer, value: number | null, words: string, shown: Shown) {
  const now = act.value
  if (!now) return
  if (a.does === 'pieces' || a.does === 'lost') counting.value = now.removal
  else if (now.kind === 'off' && now.removal)
    await (a.does === 'stuck' ? wouldNot(now.removal, '') : desk.off({ removal: now.removal, count: null }))
  // A guide has a step "back" of its own, which names no thing on the tray: that one is ticked.
  else if (now.kind === 'back' && now.item)
    await (a.does === 'stuck' ? wouldNot(now.removal, 'Would not seat.') : desk.back({ item: now.item, count: null }))
  else
    await desk.tick({
      run: now.run,
      step: now.step,
      outcome: a.does === 'branch' ? a.branch! : a.does === 'skip' ? 'skipped' : 'done',
      value,
      words,
      does: a.repair ?? null,
      shown,
    })
}

async function end(reason: string) {
  const run = opening.value?.run
  if (run && (await desk.end({ run: run.run, reason }))) ending.value = false
}
const endRun = () => (opening.value?.run?.done === opening.value?.run?.steps ? end('') : (ending.value = true))
async function stay(reason: string) {
  if (staying.value && (await desk.staysOff({ item: staying.value.item, reason }))) staying.value = null
}
async function change(reason: string) {
  const told = changing.value
  if (!told) return
  const said = { change: told.id, reason }
  if (await (told.has ? desk.changeUndone(said) : desk.changeTold(said))) changing.value = null
}
const asks = computed(() =>
  staying.value
    ? `“${staying.value.label}” stays ${staying.value.change}`
    : changing.value
      ? changing.value.has
        ? `${changing.value.name}: it was undone. ${changing.value.undo}`
        : `This machine has: ${changing.value.name}`
      : ending.value
        ? 'Give the guide up'
        : '',
)
const asksPress = computed(() => (staying.value ? 'It stays' : changing.value ? 'Tell it' : 'Give it up'))
async function reach(parts: string[]) {
  if (await desk.aim({ parts })) {
    reaching.value = false
    closing.value = false
  }
}
</script>

<template>
  <JobPage
    :desk="desk"
    what="how the machine opens"
    data-testid="opening"
    :quiet="!!card || !!counting || renewing !== null || !!staying || ending || !!changing"
    @retry="desk.retry()"
  >
    <template v-if="opening" #head><OpeningHead :opening="opening" /></template>
    <template v-if="opening">
      <RunHead
        v-if="opening.run"
        :run="opening.run"
        :may="may"
        :busy="busy"
        @take-over="desk.takeOver({ run: opening.run.run })"
        @end="endRun"
      />
      <div class="no-print mb-3 flex flex-wrap gap-2">
        <button
          v-if="may && opening.askedFor && !opening.targets.length && !opening.run"
          type="button"
          class="press press-main"
          data-testid="asked-for"
          @click="reach(opening.askedFor.parts)"
        >
          To the {{ opening.askedFor.names.join(' and ') }}, for “{{ opening.askedFor.step }}”
        </button>
        <button v-if="may && !opening.run" type="button" class="press" @click="reaching = true">
          <KeyCap of="O" /> What is to be reached
        </button>
        <button
          v-if="opening.tray.length && !opening.run"
          type="button"
          class="press"
          :aria-pressed="closing"
          data-testid="way-back"
          @click="((closing = !closing), (picked = ''))"
        >
          {{ closing ? 'Way in' : 'Way back' }}
        </button>
        <button
          v-if="!opening.run && act"
          type="button"
          class="press"
          :aria-pressed="choosing"
          @click="choosing = !choosing"
        >
          <KeyCap of="G" /> {{ choosing ? 'Back to the step' : 'Guides' }}
        </button>
        <button v-if="may" type="button" class="press" @click="renewing = ''">A part was renewed</button>
        <RouterLink
          v-if="session.mayBench && opening.cameOff && !opening.run"
          class="press"
          :to="`/models/${opening.modelId}?job=${id}#opening-title`"
          >Teach what came off, {{ opening.cameOff }}</RouterLink
        >
      </div>
      <div class="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
        <WayList class="order-2 lg:order-1" :acts="acts" :shown="act?.key ?? ''" @show="picked = $event" />
        <div class="order-1 space-y-3 lg:order-2">
          <ActCard
            v-if="act && !choosing"
            :act="act"
            :opening="opening"
            :busy="busy"
            :may="may"
            :noted="noted"
            @answer="answer"
            @photo="desk.photo($event, act.step ? `${act.run}:${act.step}` : act.removal, act.title)"
            @word="(what, by) => desk.consent({ what, by })"
          >
            <PartPhotos v-if="act.part" :model="opening.modelId" :part="act.part" :not-job="id" />
          </ActCard>
          <p v-else-if="closing && !choosing" class="panel text-go">
            ✓ Everything is back. Now look before power: level, nothing pinched, the lid moves.
          </p>
          <GuideChoice
            v-else
            :guides="opening.guides"
            :slots="opening.slots"
            :first-slot="opening.slot"
            :model="opening.modelId"
            :opened="opening.acts.length > 0"
            :busy="busy"
            :may="may"
            @follow="(guide, slot) => ((choosing = false), desk.begin({ guide, slot }))"
          />
          <TrayCards
            :tray="opening.tray"
            :cannot-power="opening.cannotPower"
            :may="may"
            @open="looked = $event.item"
            @add="putting = true"
          />
          <ChangeCards :opening="opening" :may="may" @tell="changing = $event" />
          <OpenAnyway :opening="opening" />
        </div>
      </div>
      <ReachDialog :open="reaching" :opening="opening" @close="reaching = false" @reach="reach" />
      <PutDialog
        :open="putting"
        @close="putting = false"
        @put="(label, change, count) => desk.put({ label, change, count }).then((done) => done && (putting = false))"
      />
      <TrayDialog
        :card="card"
        :desk="desk"
        :may="may"
        @close="((looked = ''), desk.dismiss())"
        @renew="((looked = ''), (renewing = $event))"
        @stay="((looked = ''), (staying = $event))"
      />
      <PieceDialog :group="group" :desk="desk" @close="((counting = ''), desk.dismiss())" />
      <RenewDialog :part="renewing" :opening="opening" :desk="desk" @close="((renewing = null), desk.dismiss())" />
      <ReasonDialog
        :asks="asks"
        :press="asksPress"
        :problem="problem ? `${problem.title}. ${problem.detail}` : ''"
        @close="((staying = null), (changing = null), (ending = false), desk.dismiss())"
        @send="(reason) => (staying ? stay(reason) : changing ? change(reason) : end(reason))"
      />
    </template>
  </JobPage>
</template>
