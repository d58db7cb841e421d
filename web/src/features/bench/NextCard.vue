<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useSettled } from '@/shared/state/useSettled'
import type { Bench, Step } from './useJob'
import KeyCap from '@/shared/ui/KeyCap.vue'
import SlotMap from '@/shared/ui/SlotMap.vue'
import TooSoon from '@/shared/ui/TooSoon.vue'
import { shownAt, type Shown } from '@/shared/write/shown'
import AnswerRow from './AnswerRow.vue'
import StepMeta from './StepMeta.vue'
import StepWarnings from './StepWarnings.vue'
import WaitNote from './WaitNote.vue'

const props = defineProps<{
  /** The job. */
  job: Bench
  /** A step chosen by hand instead of the advised one; null for the advised one. */
  chosen: Step | null
  /** A write is on its way. */
  busy: boolean
  /** Whether this person may work at the bench. */
  mayBench: boolean
}>()
const emit = defineEmits<{
  answer: [
    said: { outcome: string; quantity: number | null; coveragePct: number | null; before: boolean; shown: Shown },
  ]
  mend: [said: { lot: string; became: string; returnBy: string | null; shown: Shown }]
  choose: [step: Step | null]
  close: [how: string]
  clearTray: []
  word: []
  shelf: [part: string, here: boolean]
}>()
const step = computed(() => props.chosen ?? props.job.advice.step)
const quantities = ref<Record<string, number | null>>({})
const coverages = ref<Record<string, number | null>>({})
const lot = ref('')
const became = ref('')
const returnBy = ref('')
const fates = ['', 'scrapped', 'returned to its seller', 'exchanged', 'kept']
watch(
  () => [step.value?.id, props.job.version],
  () => {
    quantities.value = {}
    coverages.value = {}
    lot.value = became.value = returnBy.value = ''
    before.value = false
  },
)
const title = useTemplateRef('title')
// The press that answered is gone with its card: the next step has the focus.
watch(
  () => [step.value?.id, props.job.version],
  async () => {
    await nextTick()
    if (document.activeElement === document.body) title.value?.focus({ preventScroll: true })
  },
)
const toldSlot = computed(() => props.job.threads.find((t) => t.id === props.job.thread)?.slot ?? 0)
/** A look made before this visit is told, whatever holds it now. */
const before = ref(false)
const blocked = computed(() => (before.value ? null : (step.value?.held ?? null)))
const stopped = computed(() => props.busy || !props.mayBench || blocked.value !== null)
/** Two answers beside each other where there are many, or none can be given yet; an answer with a number needs its room. */
const pairs = computed(
  () =>
    (blocked.value !== null || (step.value?.outcomes.length ?? 0) > 4) &&
    !step.value?.outcomes.some((o) => o.quantityUnit),
)
const { settled, early, counts } = useSettled(() => `${props.job.thread} ${step.value?.id ?? props.job.advice.kind}`)
const heading = computed(() => {
  if (props.chosen) return 'Chosen by you'
  const kinds: Record<string, string> = {
    find: 'Do next',
    mend: 'Mend next',
    prove: 'Prove it',
    close: 'Proved',
    handback: props.job.advice.word ? 'Stop here, or ask' : 'Stop here',
  }
  return kinds[props.job.advice.kind] ?? 'Do next'
})

function answer(id: string, pressed: Element) {
  if (stopped.value || !counts()) return
  emit('answer', {
    outcome: id,
    quantity: quantities.value[id] ?? null,
    coveragePct: coverages.value[id] ?? null,
    before: before.value,
    shown: shownAt(pressed),
  })
}

function mend(event: Event) {
  if (stopped.value || !counts()) return
  const shown = shownAt(event.currentTarget as Element)
  emit('mend', { lot: lot.value, became: became.value, returnBy: returnBy.value || null, shown })
}

function close() {
  if (props.mayBench && counts()) emit('close', props.job.advice.kind === 'close' ? 'verified' : 'handed-back')
}
</script>

<template>
  <section
    class="panel border-2 border-ink p-3 lg:max-h-full lg:overflow-y-auto"
    aria-labelledby="next-title"
    data-testid="next-card"
    :data-step="step?.id"
    :data-settled="settled"
    :data-shows="job.version"
  >
    <StepMeta :heading="heading" :step="step" :currency="job.spent.currency" />
    <h2 id="next-title" ref="title" data-says="step" class="mt-0.5 text-xl" tabindex="-1" aria-live="polite">
      {{ step?.name ?? (job.advice.kind === 'close' ? 'Clear the tray, then close' : 'Hand back with the findings') }}
    </h2>
    <p v-if="job.contradicted" class="mt-1 border-l-4 border-wait bg-wait-tint px-3 py-1.5">
      The findings contradict the book. Look again at the one that fits least.
    </p>
    <p v-if="!chosen" class="mt-0.5 text-soft">{{ job.advice.because }}</p>
    <p v-if="step?.school" class="mt-1 text-sm text-soft">School: {{ step.school.toLowerCase() }}.</p>
    <p v-if="step?.how && !blocked" class="mt-0.5 text-soft">{{ step.how }}</p>
    <SlotMap v-if="step?.showsSlots && !blocked" :slots="job.slots" :told="toldSlot" />
    <WaitNote v-if="step" :job="job" />
    <StepWarnings v-if="step" :step="step" :tray-count="job.tray.length" @clear-tray="emit('clearTray')" />
    <button
      v-if="step?.held && step.kind !== 'repair' && step.kind !== 'proof' && mayBench"
      type="button"
      class="press mt-2"
      :aria-pressed="before"
      data-testid="seen-before"
      @click="before = !before"
    >
      It was seen before this visit
    </button>
    <template v-if="step && step.kind === 'repair'">
      <ol v-if="step.steps.length" class="mt-2 list-decimal space-y-1 pl-6">
        <li v-for="s in step.steps" :key="s">{{ s }}</li>
      </ol>
      <div v-if="step.part" class="mt-2 flex flex-wrap items-center gap-2">
        <label class="flex items-center gap-2">
          Lot of the {{ step.part }} <input v-model="lot" class="field w-40 font-mono" maxlength="120" />
        </label>
        <label class="flex items-center gap-2">
          The old one
          <select v-model="became" class="field w-44">
            <option v-for="f in fates" :key="f" :value="f">{{ f || 'not told' }}</option>
          </select>
        </label>
        <label class="flex items-center gap-2">
          The new one goes back until <input v-model="returnBy" class="field w-40" type="date" />
        </label>
        <button
          type="button"
          class="press"
          :disabled="busy || !mayBench"
          @click="emit('shelf', step.part, step.partMissing)"
        >
          {{ step.partMissing ? 'It is on the shelf again' : 'Not on the shelf' }}
        </button>
      </div>
      <button
        type="button"
        class="press mt-3 min-h-14 w-full justify-start"
        :disabled="stopped"
        :aria-disabled="!settled"
        data-testid="done"
        @click="mend"
      >
        <KeyCap of="1" /> Done
      </button>
    </template>
    <ol v-else-if="step" class="mt-2 grid gap-1.5" :class="pairs ? 'md:grid-cols-2' : ''">
      <AnswerRow
        v-for="(o, i) in step.outcomes"
        :key="o.id"
        v-model="quantities[o.id]"
        v-model:coverage="coverages[o.id]"
        :outcome="o"
        :digit="i + 1"
        :disabled="stopped"
        :settled="settled"
        @press="answer(o.id, $event)"
      />
    </ol>
    <button
      v-else
      type="button"
      class="press press-main mt-3 min-h-14"
      :disabled="busy || !mayBench"
      :aria-disabled="!settled"
      @click="close"
    >
      <KeyCap of="1" /> {{ job.advice.kind === 'close' ? 'Close as verified' : 'Close and hand back' }}
    </button>
    <button
      v-if="!step && job.advice.word"
      type="button"
      class="press mt-3 ml-2 min-h-14"
      :disabled="busy"
      @click="emit('word')"
    >
      The customer agrees
    </button>
    <TooSoon :early="early" />
    <p v-if="!mayBench" class="mt-2 text-soft">The counter looks on: a technician answers.</p>
    <div class="mt-2 grid gap-x-3 border-t border-line pt-1 md:grid-cols-2">
      <button v-if="chosen" type="button" class="press press-plain" @click="emit('choose', null)">
        Back to the advised step
      </button>
      <button
        v-for="(o, i) in job.advice.others"
        :key="o.id"
        type="button"
        class="press press-plain min-w-0 justify-start px-0 text-left text-sm"
        :data-other="o.id"
        @click="emit('choose', o)"
      >
        <KeyCap :of="'AB'[i] ?? ''" :does="`instead: ${o.name}`" /> <span class="line-clamp-2">{{ o.name }}</span>
        <span class="shrink-0 font-mono">{{ Math.round(o.minutes) }} min</span>
      </button>
    </div>
  </section>
</template>
