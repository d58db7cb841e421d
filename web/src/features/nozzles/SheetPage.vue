<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { moment } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import KeyCap from '@/shared/ui/KeyCap.vue'
import JobPage from '@/shared/ui/JobPage.vue'
import ReadingCard from './ReadingCard.vue'
import SheetPicture from './SheetPicture.vue'
import SheetTrend from './SheetTrend.vue'
import SheetWays from './SheetWays.vue'
import TapGrid from './TapGrid.vue'
import UnitComb from './UnitComb.vue'
import { useSheets, type Tapped } from './useSheets'

const props = defineProps<{
  /** Number of the job. */
  id: number
}>()
const route = useRoute()
const router = useRouter()
const session = useSession()
const asText = (value: unknown) => (typeof value === 'string' ? value : '')
const desk = useSheets(
  props.id,
  () => asText(route.query.sheet),
  () => asText(route.query.against),
  () => Number(route.query.thread ?? 0) || 0,
)
const { page: sheets, doing, refusal } = desk
const shown = computed(() => sheets.value?.shown ?? null)
const layout = computed(() => sheets.value?.layout ?? null)
const may = computed(() => session.mayBench && sheets.value?.open === true && layout.value !== null)
const lit = ref('')
const tapped = ref<Tapped[] | null>(null)
const mending = ref(false)
const shape = (unit: string) => layout.value!.units.find((u) => u.id === unit)!
const unsure = computed(() =>
  Object.fromEntries(mending.value ? (shown.value?.units ?? []).map((u) => [u.id, u.unsure]) : []),
)

const show = (sheet: string) => router.replace({ query: { ...route.query, sheet, against: undefined } })
const compare = (event: Event) =>
  router.replace({ query: { ...route.query, against: (event.target as HTMLSelectElement).value || undefined } })
async function took(sheet: Promise<string | null>) {
  const name = await sheet
  if (name) await show(name)
}
function tap(onShown: boolean) {
  mending.value = onShown
  tapped.value = onShown
    ? shown.value!.units.map((u) => ({ id: u.id, nozzles: u.nozzles }))
    : layout.value!.units.map((u) => ({ id: u.id, nozzles: '.'.repeat(u.nozzles) }))
}
async function save() {
  const done = mending.value ? await desk.putRight(shown.value!.id, tapped.value!) : await desk.taps(tapped.value!)
  if (done === null) return
  tapped.value = null
  if (!mending.value) await router.replace({ query: { ...route.query, sheet: undefined, against: undefined } })
}
</script>

<template>
  <JobPage :desk="desk" what="the nozzle sheets" data-testid="sheets" @retry="took(desk.retry())">
    <template v-if="sheets" #head>
      <RouterLink class="press no-print" :to="`/bench/${id}`"><KeyCap of="B" /> Bench</RouterLink>
      <h1 class="text-2xl">{{ shown ? `Nozzle sheet ${shown.number}` : 'Nozzle sheets' }}</h1>
      <p class="min-w-0 flex-1 basis-60 text-soft">
        {{ sheets.model
        }}<template v-if="shown"> · {{ shown.after }} · {{ moment(shown.at) }} · {{ shown.by }}</template>
      </p>
      <ul v-if="shown" class="flex flex-wrap items-center gap-1.5">
        <li v-for="h in shown.handling" :key="h" class="chip">{{ h }}</li>
        <li v-if="shown.putRight" class="chip border-hands">{{ shown.putRight }} put right by hand</li>
      </ul>
      <label v-if="shown && sheets.sheets.length > 1" class="no-print flex items-center gap-2">
        compared with
        <select class="field w-auto" :value="shown.comparedWith ?? ''" @change="compare">
          <option v-for="s in sheets.sheets.filter((x) => x.id !== shown!.id)" :key="s.id" :value="s.id">
            sheet {{ sheets.sheets.indexOf(s) + 1 }}, {{ moment(s.at) }}
          </option>
        </select>
      </label>
    </template>
    <template v-if="sheets">
      <div
        v-if="refusal"
        role="alert"
        class="mb-3 rounded border-l-4 border-stop bg-stop-tint p-3"
        :data-reason="refusal.reason"
      >
        <p class="font-bold">{{ refusal.title }}. Nothing was read.</p>
        <p>{{ refusal.what }} {{ refusal.then }}</p>
      </div>
      <p v-if="!layout" class="panel">No layout of this model’s nozzle sheet is known. Add one to the shop’s packs.</p>
      <TapGrid
        v-if="tapped && layout"
        :units="layout.units"
        :tapped="tapped"
        :unsure="unsure"
        :busy="doing !== ''"
        @change="tapped = $event"
        @save="save"
        @cancel="tapped = null"
      />
      <template v-else-if="layout">
        <SheetWays
          v-if="may && !shown"
          class="mb-3"
          :doing="doing"
          :devices="sheets.devices"
          first
          @picture="(file, way) => took(desk.picture(file, way))"
          @scan="took(desk.scan($event))"
          @taps="tap(false)"
        />
        <p v-else-if="!shown" class="panel">No nozzle sheet was taken of this machine.</p>
        <div
          v-if="shown"
          class="grid grid-cols-[minmax(0,1fr)] items-start gap-3"
          :class="shown.picture ? 'lg:grid-cols-[minmax(0,0.75fr)_minmax(0,1.25fr)]' : ''"
        >
          <SheetPicture v-if="shown.picture" :job="shown.job" :sheet="shown" :lit="lit" @light="lit = $event" />
          <div class="space-y-3">
            <ReadingCard :sheet="shown" :next="sheets.next" :job="id" :may="may" @put-right="tap(true)" />
            <SheetWays
              v-if="may"
              :doing="doing"
              :devices="sheets.devices"
              :first="false"
              @picture="(file, way) => took(desk.picture(file, way))"
              @scan="took(desk.scan($event))"
              @taps="tap(false)"
            />
            <section class="panel p-0" aria-label="Every nozzle">
              <ul>
                <UnitComb
                  v-for="u in shown.units"
                  :key="u.id"
                  :unit="u"
                  :shape="shape(u.id)"
                  :lit="lit === u.id"
                  @light="lit = $event ? u.id : ''"
                />
              </ul>
              <p class="flex flex-wrap gap-x-4 px-3 py-2 text-sm text-soft">
                <span><span class="text-go" aria-hidden="true">▲</span> came back</span>
                <span><span class="text-stop" aria-hidden="true">▬</span> missing</span>
                <span><span class="text-stop" aria-hidden="true">●</span> newly missing</span>
                <span>short bar: weak</span>
                <span>∨ beside its place</span>
                <span>dashed box: unsure</span>
              </p>
            </section>
            <SheetTrend
              v-if="sheets.sheets.length > 1"
              :sheets="sheets.sheets"
              :units="layout.units"
              :shown="shown.id"
              :lit="lit"
              @show="show"
            />
          </div>
        </div>
        <p class="no-print mt-3 text-soft">
          <RouterLink
            class="inline-flex min-h-11 items-center underline underline-offset-3"
            :to="`/guides/sheets/${layout.id}`"
            >This machine’s blank sheet, for paper</RouterLink
          >
        </p>
      </template>
    </template>
  </JobPage>
</template>
