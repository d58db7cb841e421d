<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useSettled } from '@/shared/state/useSettled'
import KeyCap from '@/shared/ui/KeyCap.vue'
import TooSoon from '@/shared/ui/TooSoon.vue'
import { shownAt, type Shown } from '@/shared/write/shown'
import type { HeadCare } from './useHeadCare'

const props = defineProps<{
  /** Head care of the job. */
  care: HeadCare
  /** A write is on its way. */
  busy: boolean
  /** Whether this person may work at the bench. */
  may: boolean
}>()
const emit = defineEmits<{ done: [shown: Shown] }>()
const router = useRouter()
const card = computed(() => props.care.do)
const { settled, early, counts } = useSettled(
  () => `${card.value.kind} ${card.value.title} ${card.value.on} ${props.care.version}`,
)
const stopped = computed(() => props.busy || !props.may || !props.care.open)
const bench = computed(() => `/bench/${props.care.job}?thread=${props.care.thread}`)
function press(event: Event) {
  if (!counts()) return
  if (card.value.kind === 'work') {
    if (!stopped.value) emit('done', shownAt(event.currentTarget as Element))
  } else void router.push(card.value.kind === 'sheet' ? `/bench/${props.care.job}/sheets` : bench.value)
}
const label = computed(
  () =>
    ({ work: 'Done', sheet: 'Read the sheet', supply: 'Look to the supply, on the bench', wait: 'To the bench' })[
      card.value.kind
    ] ?? 'To the bench',
)
</script>

<template>
  <section
    class="panel border-2 border-ink p-3"
    aria-labelledby="do-title"
    data-testid="head-do"
    :data-kind="card.kind"
    :data-shows="care.version"
  >
    <p class="text-sm text-soft">
      Do next<template v-if="card.handsMin"> · {{ Math.round(card.handsMin) }} min with its sheet</template>
    </p>
    <h2 id="do-title" class="mt-0.5 text-xl" aria-live="polite">
      <span data-says="step">{{ card.title }}</span><template v-if="card.on">: {{ card.on }}</template>
    </h2>
    <ul v-if="card.cautions.length" class="mt-1.5 space-y-1 border-l-4 border-stop bg-stop-tint px-3 py-1.5">
      <li v-for="c in card.cautions" :key="c">{{ c }}</li>
    </ul>
    <p class="mt-1.5">{{ card.says }}</p>
    <p v-for="b in card.beside" :key="b" class="mt-1 text-soft">{{ b }}</p>
    <ol v-if="card.howTo.length" class="mt-1.5 list-decimal space-y-0.5 pl-6">
      <li v-for="h in card.howTo" :key="h">{{ h }}</li>
    </ol>
    <button
      type="button"
      class="press press-main mt-3 min-h-14 w-full justify-start"
      :disabled="card.kind === 'work' && stopped"
      :aria-disabled="!settled"
      data-testid="head-done"
      @click="press"
    >
      <KeyCap of="1" /> {{ label }}
    </button>
    <RouterLink v-if="card.guide" class="press mt-2 w-full justify-start" :to="`/bench/${care.job}/opening`"
      >Guide: {{ card.guide }}</RouterLink
    >
    <TooSoon :early="early" />
    <p v-if="!may && card.kind === 'work'" class="mt-2 text-soft">The counter looks on: a technician does it.</p>
    <div v-if="care.held.length" class="mt-2 border-t border-line pt-1.5">
      <h3 class="text-base text-stop">Not now</h3>
      <ul class="mt-0.5 space-y-1">
        <li v-for="h in care.held" :key="h.name">
          <b>{{ h.name }}.</b> {{ h.why }} <span class="text-soft">{{ h.first }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>
