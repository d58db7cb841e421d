<script setup lang="ts">
import { computed } from 'vue'
import { counted, moment, money, percent, withUnit } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import KeyCap from '@/shared/ui/KeyCap.vue'
import JobPage from '@/shared/ui/JobPage.vue'
import type { Shown } from '@/shared/write/shown'
import BeliefPanel from './BeliefPanel.vue'
import BuildUpPanel from './BuildUpPanel.vue'
import CleaningList from './CleaningList.vue'
import DoCard from './DoCard.vue'
import PlanLine from './PlanLine.vue'
import WaysTable from './WaysTable.vue'
import WhatIf from './WhatIf.vue'
import { useHeadCare } from './useHeadCare'

const props = defineProps<{
  /** Number of the job. */
  id: number
}>()
const session = useSession()
const desk = useHeadCare(props.id)
const { page: care } = desk
const levels = [0, 1, 2, 3, 5]
const run = (shown: Shown) =>
  desk.done({ repair: care.value!.do.repair, minutes: null, lot: '', slots: care.value!.do.slots as number[], shown })
const outcome = computed(() => {
  const { plan, finish, counterPct, steps } = care.value!
  if (!plan || !steps.length) return ''
  const counter =
    counterPct === null
      ? `${withUnit(plan.counterPct, '%', 1)} of the counter`
      : `counter ${Math.round(counterPct)} → ${withUnit(counterPct + plan.counterPct, '%', 1)}`
  const by = finish ? ` by ${moment(finish)}` : ''
  return `${percent(plan.complete)} complete${by} · ${withUnit(plan.inkMl, 'ml', 1)} · ${counter} · ${withUnit(plan.handsMin, 'min')} of hands`
})
</script>

<template>
  <JobPage :desk="desk" what="head care" data-testid="head-care" @retry="desk.retry()">
    <template v-if="care" #head>
      <span class="rounded bg-ink px-2 py-1 font-mono text-lg font-bold text-sheet">{{ care.tag }}</span>
      <h1 class="text-2xl">Head care</h1>
      <p class="min-w-0 flex-1 basis-60 text-soft">{{ care.model }} · {{ care.facts }}</p>
      <ul class="flex flex-wrap items-center gap-1.5">
        <li v-for="c in care.channels.filter((x) => x.missing > 0)" :key="c.unit" class="chip">
          <span
            class="mr-1 inline-block h-3 w-3 border border-edge"
            :style="{ background: c.colour }"
            aria-hidden="true"
          />
          <b>{{ c.unit }}</b> {{ c.missing }} {{ c.feedFirst ? 'missing, feed first' : 'missing' }}
        </li>
      </ul>
    </template>
    <template v-if="care">
      <p
        v-for="d in care.declines"
        :key="d.unit"
        class="mb-2 border-l-4 border-wait bg-wait-tint px-3 py-1.5"
        data-testid="decline"
      >
        {{ d.unit }} loses about {{ withUnit(d.perYear, 'nozzles a year', 1) }} over {{ counted(d.visits, 'visit') }},
        {{ d.now }} missing now. Print may not show it yet; the head is ageing.
      </p>
      <div class="grid grid-cols-[minmax(0,1fr)] items-start gap-2 lg:grid-cols-[minmax(0,2fr)_minmax(0,3.6fr)]">
        <div class="grid grid-cols-[minmax(0,1fr)] gap-2">
          <DoCard :care="care" :busy="desk.busy.value" :may="session.mayBench" @done="run" />
          <BeliefPanel :care="care" />
        </div>
        <div class="grid grid-cols-[minmax(0,1fr)] gap-2">
          <section class="panel p-3" aria-labelledby="plan-title">
            <h2 id="plan-title" class="text-base">
              The plan<template v-if="outcome"> · {{ outcome }}</template>
            </h2>
            <PlanLine v-if="care.steps.length" class="mt-1" :care="care" />
            <p v-else class="mt-1 text-soft">No cleaning is planned. {{ care.stopped || care.do.says }}</p>
            <p v-if="care.plan && care.steps.length" class="mt-2 text-sm text-soft">
              Expected price {{ money(care.plan.price, care.currency) }}, giving up included. It is made anew after
              every sheet.
            </p>
          </section>
          <div class="grid grid-cols-[minmax(0,1fr)] items-start gap-2 xl:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
            <WaysTable v-if="care.ways.length" :care="care" />
            <WhatIf v-if="care.whatIf.length" :care="care" />
          </div>
        </div>
      </div>
      <fieldset v-if="care.open" class="panel mt-2 flex flex-wrap items-center gap-2 p-3">
        <legend class="sr-only">How complete it has to be</legend>
        <span>Agreed with the customer: missing in a channel at most</span>
        <button
          v-for="n in levels"
          :key="n"
          type="button"
          class="press min-w-11 px-3"
          :class="n === care.mostLeft ? 'press-main' : ''"
          :aria-pressed="n === care.mostLeft"
          :disabled="desk.busy.value || !session.mayBench"
          @click="n !== care.mostLeft && desk.agree({ mostLeft: n })"
        >
          {{ n === 0 ? 'none' : n }}
        </button>
        <span class="text-sm text-soft">Text alone seldom shows three.</span>
      </fieldset>
      <BuildUpPanel
        v-if="care.smudges || care.buildUps.length"
        class="mt-2"
        :care="care"
        :busy="desk.busy.value"
        :may="session.mayBench"
        @tell="(paper, thickness) => desk.tellBuildUp({ paper, thickness })"
      />
      <CleaningList class="mt-2" :care="care" />
      <nav class="no-print mt-3 flex flex-wrap gap-2" aria-label="From here">
        <RouterLink class="press" :to="`/bench/${id}`"><KeyCap of="B" /> Bench</RouterLink>
        <RouterLink class="press" :to="`/bench/${id}/sheets`"><KeyCap of="S" /> Nozzle sheets</RouterLink>
        <RouterLink class="press" to="/guides?kind=guide&q=head">Guides for the head</RouterLink>
      </nav>
    </template>
  </JobPage>
</template>
