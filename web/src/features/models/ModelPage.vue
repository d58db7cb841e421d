<script setup lang="ts">
import { computed, toRef } from 'vue'
import { useSession } from '@/shared/state/useSession'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import AboutPart from './AboutPart.vue'
import CodesPart from './CodesPart.vue'
import FigureRow from './FigureRow.vue'
import MeasuredPart from './MeasuredPart.vue'
import OpeningPart from './OpeningPart.vue'
import PartsPart from './PartsPart.vue'
import SheetPart from './SheetPart.vue'
import { useModel } from './useModels'

const props = defineProps<{
  /** The model. */
  id: string
}>()
const desk = useModel(toRef(props, 'id'))
const { model } = desk
const session = useSession()
const groups = computed(() => [...new Set(model.value?.figures.map((f) => f.group) ?? [])])
const mayChange = computed(() => session.person?.role === 'Owner')
const mayTeach = computed(() => session.mayBench && model.value?.isOwn === true)
</script>

<template>
  <LoadState
    :pending="desk.query.isPending.value"
    :error="desk.query.error.value"
    what="the model"
    @retry="desk.query.refetch()"
  >
    <template v-if="model">
      <div class="mb-3 flex flex-wrap items-center gap-3">
        <h1 class="text-2xl">{{ model.name }}</h1>
        <span class="text-soft">
          {{ model.kind }},
          {{ model.isOwn ? `our own, version ${model.modelVersion}` : `house pack, version ${model.modelVersion}`
          }}<template v-if="model.like">; what is not known is as of its family, nearest the {{ model.like }}</template>
        </span>
        <a v-if="model.isOwn" class="press" :href="`/api/models/export?model=${model.id}`">As a file</a>
      </div>
      <ProblemNote
        class="mb-3"
        :problem="desk.problem.value"
        :asking="desk.asking.value"
        :can-retry="desk.canRetry.value"
        @retry="desk.retry"
        @dismiss="desk.dismiss"
      />
      <div v-if="!model.isOwn || model.packVersion" class="panel mb-3 flex flex-wrap items-center gap-3">
        <p class="min-w-0 flex-1 basis-64">
          <template v-if="model.isOwn">
            It was taken from a pack, which has version {{ model.packVersion }} of it; what you taught goes before that.
          </template>
          <template v-else>
            It comes with the house pack. Make it yours to teach it: from then on your own version counts, and updates
            of the pack wait until you take them.
          </template>
        </p>
        <button
          v-if="mayChange"
          type="button"
          class="press"
          :disabled="desk.busy.value"
          @click="desk.ours({ model: model.id })"
        >
          {{ model.isOwn ? 'Take what the pack has, in place of it' : 'Make it ours' }}
        </button>
      </div>
      <MeasuredPart v-if="model.isOwn" :model="model.id" :desk="desk" :may-teach="mayTeach" />
      <section v-if="model.help.length" class="panel mb-3" aria-labelledby="help-title" data-testid="help">
        <h2 id="help-title" class="text-xl">What would help most</h2>
        <ol class="list-decimal pl-6">
          <li v-for="h in model.help" :key="h.pointer">
            <a class="inline-flex min-h-11 items-center underline underline-offset-3" :href="`#${h.pointer}`">{{
              h.name
            }}</a>. {{ h.why }}
          </li>
        </ol>
      </section>
      <div class="grid grid-cols-[minmax(0,1fr)] items-start gap-3 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section class="panel" aria-labelledby="figures-title">
          <h2 id="figures-title" class="text-xl">Figures</h2>
          <template v-for="g in groups" :key="g">
            <h3 class="mt-3 mb-1 font-bold">{{ g }}</h3>
            <ul class="divide-y divide-line">
              <FigureRow
                v-for="f in model.figures.filter((x) => x.group === g)"
                :key="f.pointer"
                :figure="f"
                :model="model.id"
                :desk="desk"
                :may-teach="mayTeach"
              />
            </ul>
          </template>
        </section>
        <div class="grid grid-cols-[minmax(0,1fr)] gap-3">
          <AboutPart :model="model" :desk="desk" :may-teach="mayTeach && mayChange" />
          <CodesPart :model="model" :desk="desk" :may-teach="mayTeach" />
          <SheetPart :model="model" :desk="desk" :may-teach="mayTeach" />
          <section v-if="model.history.length" class="panel" aria-labelledby="history-title">
            <h2 id="history-title" class="text-xl">What was taught</h2>
            <ul>
              <li v-for="h in model.history" :key="h" class="border-t border-line py-1 text-sm">{{ h }}</li>
            </ul>
          </section>
        </div>
      </div>
      <PartsPart class="mt-3" :model="model" :desk="desk" :may-teach="mayTeach && mayChange" />
      <OpeningPart class="mt-3" :model="model" :desk="desk" :may-teach="mayTeach" />
    </template>
  </LoadState>
</template>
