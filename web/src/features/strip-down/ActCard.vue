<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import { typedNumber, wait } from '@/shared/format'
import { useKeys } from '@/shared/state/useKeys'
import { useSettled } from '@/shared/state/useSettled'
import KeyCap from '@/shared/ui/KeyCap.vue'
import TooSoon from '@/shared/ui/TooSoon.vue'
import { shownAt, type Shown } from '@/shared/write/shown'
import { answersOf, seenFrom, spoken, type Answer } from './acts'
import ActDrawing from './ActDrawing.vue'
import SidePlan from './SidePlan.vue'
import type { Act, Opening } from './useOpening'

const props = defineProps<{
  /** What the hand does now. */
  act: Act
  /** How far the machine is open. */
  opening: Opening
  /** A write is on its way. */
  busy: boolean
  /** Whether this person may work at the bench. */
  may: boolean
  /** What was put on record of it and leaves it in hand. Default: nothing. */
  noted?: string
}>()
const emit = defineEmits<{
  answer: [answer: Answer, value: number | null, words: string, shown: Shown]
  photo: [file: File]
  word: [word: string, by: string]
}>()
/** The slot that the guide is about, named at its every step. */
const slot = computed(() => props.opening.slots.find((s) => s.panel === props.opening.run?.slot) ?? null)
const typed = ref('')
const value = computed(() => typedNumber(typed.value))
const words = ref('')
const by = ref('')
const skipping = ref(false)
const told = ref('')
/** How often what leaves it in hand was told of it. */
const times = ref(0)
const file = ref<HTMLInputElement | null>(null)
/** What must be true and was ticked so far. */
const ticked = ref<string[]>([])
const next = computed(() =>
  props.act.kind === 'back' ? props.act.checks.find((c) => !ticked.value.includes(c)) : undefined,
)
/** What is to be done, and how far its ticks are. */
const shown = computed(() => (ticked.value.length ? `${props.act.key}+${ticked.value.length}` : props.act.key))
watch(
  () => props.act.key,
  () => {
    ticked.value = []
    typed.value = ''
    words.value = ''
    skipping.value = false
    told.value = ''
    times.value = 0
  },
)
const part = computed(() => props.opening.parts.find((p) => p.id === props.act.part))
const answers = computed(() => answersOf(props.act, part.value, next.value))
const stopped = computed(() => !props.may || props.opening.closed || props.act.done || props.act.word !== '')
const { settled, early, counts } = useSettled(() => shown.value)
const canSpeak = 'speechSynthesis' in window
const kinds: Record<string, string> = {
  off: 'Way in',
  back: 'Way back',
  power: 'Power',
  word: 'The customer’s word',
  move: 'Move it',
}
const heading = computed(() =>
  [`${kinds[props.act.kind] ?? 'Step'} ${props.act.number}`, seenFrom(props.act.view)].filter(Boolean).join(' · '),
)
const wordSays: Record<string, string> = {
  'open-in-warranty': 'It breaks a warranty seal, and the machine is in warranty.',
  irreversible: 'It cannot be undone.',
}

function press(answer: Answer, pressed: Element) {
  if (!counts()) return
  if (answer.does === 'photo') {
    if (!props.busy && props.may) file.value?.click()
    return
  }
  const opensOnly = answer.does === 'pieces' || answer.does === 'lost'
  if (opensOnly ? !props.may : stopped.value) return
  if (answer.does === 'check') {
    tick(next.value!)
    return
  }
  if (answer.does === 'skip' && !skipping.value) {
    skipping.value = true
    return
  }
  if (answer.does === 'branch' || answer.does === 'stuck') times.value++
  if (answer.does === 'branch') told.value = props.act.branches.find((b) => b.id === answer.branch)?.text ?? ''
  emit('answer', answer, Number.isNaN(value.value) ? null : value.value, words.value, shownAt(pressed))
}

function tick(check: string) {
  ticked.value = ticked.value.includes(check) ? ticked.value.filter((c) => c !== check) : [...ticked.value, check]
}

function picked(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files?.[0]) emit('photo', input.files[0])
  input.value = ''
}

function speak() {
  speechSynthesis.cancel()
  speechSynthesis.speak(new SpeechSynthesisUtterance(spoken(props.act)))
}

// A foot pedal types Enter; on a button Enter already presses that button.
const card = useTemplateRef('card')
useKeys(() =>
  document.activeElement === document.body || document.activeElement === card.value
    ? [
        {
          key: 'Enter',
          does: 'the first answer',
          run: () => card.value?.querySelector<HTMLElement>('[data-answer]')?.click(),
        },
      ]
    : [],
)
</script>

<template>
  <section
    ref="card"
    class="rounded border-2 border-ink bg-sheet p-4"
    aria-labelledby="act-title"
    data-testid="act"
    :data-key="shown"
    :data-settled="settled"
    :data-shows="opening.version"
  >
    <p class="flex flex-wrap items-center gap-x-3 text-sm text-soft">
      {{ heading }}
      <strong v-if="slot" class="chip text-ink" data-testid="about-slot">slot {{ slot.panel }} · {{ slot.ink }}</strong>
    </p>
    <h2 id="act-title" data-says="step" class="text-xl" aria-live="polite">{{ act.title }}</h2>
    <ul v-if="act.cautions.length || act.irreversible" class="mt-2 border-l-4 border-stop bg-stop-tint px-3 py-1.5">
      <li v-if="act.irreversible" class="font-bold">This cannot be undone.</li>
      <li v-for="c in act.cautions" :key="c">{{ c }}</li>
    </ul>
    <div
      v-if="act.kind === 'off' && opening.leaveAlone.length"
      class="mt-2 border-l-4 border-stop bg-stop-tint px-3 py-1.5"
      data-testid="leave-alone"
    >
      <strong>Leave alone:</strong> {{ opening.leaveAlone.join(' ') }}
    </div>
    <div class="mt-2 grid gap-3" :class="act.part ? 'md:grid-cols-[minmax(0,1fr)_minmax(0,15rem)]' : ''">
      <div>
        <p>{{ act.text }}</p>
        <p v-if="act.tool" class="mt-1">
          Tool: <strong>{{ act.tool }}</strong>
        </p>
        <p v-if="act.sign" class="mt-1">
          Expect: <strong>{{ act.sign }}</strong>
        </p>
        <div v-if="act.checks.length" class="mt-1 border-l-4 border-go pl-3">
          <p>It is back only when this is true:</p>
          <ul class="grid gap-1 font-bold">
            <li v-for="c in act.checks" :key="c">
              <button
                v-if="act.kind === 'back' && !act.done"
                type="button"
                role="checkbox"
                class="flex min-h-11 w-full items-center gap-2 text-left"
                :aria-checked="ticked.includes(c)"
                :disabled="stopped"
                @click="tick(c)"
              >
                <span
                  class="grid h-6 w-6 shrink-0 place-items-center rounded border-2 border-ink"
                  :class="ticked.includes(c) ? 'bg-go text-sheet' : ''"
                  aria-hidden="true"
                  >{{ ticked.includes(c) ? '✓' : '' }}</span
                >
                {{ c }}
              </button>
              <template v-else>{{ c }}</template>
            </li>
          </ul>
        </div>
        <ActDrawing v-if="act.drawing" :drawing="act.drawing" />
        <p v-if="act.stays" class="mt-1">
          Stays so: <strong>{{ act.stays }}</strong>. It is on the machine’s record from then on, not on the tray.
        </p>
        <p v-if="act.differs" class="mt-1 text-soft">{{ act.differs }}</p>
        <p v-if="act.wait" class="mt-1">
          Then wait: {{ act.wait.label }}, <span class="font-mono">{{ wait(act.wait.minMinutes) }}</span>. The clock
          starts by itself.
        </p>
        <div v-if="act.photos.length" class="mt-2 flex flex-wrap gap-2">
          <img
            v-for="p in act.photos"
            :key="p"
            :src="`/api/jobs/${opening.id}/pictures/${p}`"
            :alt="`Photo for ${act.title}`"
            class="h-20 rounded border border-line"
          />
        </div>
        <slot />
        <p v-if="act.photoNeeded" class="mt-1 font-bold text-wait">A photo first: press C.</p>
        <label v-if="act.measure && !act.done" class="mt-2 flex flex-wrap items-center gap-2">
          {{ act.measure.label }}
          <input v-model="typed" inputmode="decimal" class="field w-28 font-mono" />
          <span class="font-mono">{{ act.measure.unit }}</span>
          <span v-if="Number.isNaN(value)" class="text-stop">not a number</span>
        </label>
        <div v-if="act.word" class="mt-3 border-l-4 border-wait bg-wait-tint p-3">
          <p class="font-bold">The customer’s word first. {{ wordSays[act.word] }}</p>
          <form class="mt-2 flex flex-wrap items-end gap-2" @submit.prevent="emit('word', act.word, by)">
            <label>Who agreed <input v-model="by" class="field w-52" required maxlength="120" /></label>
            <button type="submit" class="press press-main" :disabled="busy || !may">They agree</button>
          </form>
        </div>
        <p v-if="told || noted" role="status" class="mt-3 border-l-4 border-wait bg-wait-tint px-3 py-2">
          {{ told || noted }}<template v-if="times > 1"> Told {{ times }} times.</template>
        </p>
        <p v-if="act.done" class="mt-3 text-go">✓ Done{{ act.who ? `, ${act.who}` : '' }}.</p>
        <div v-else class="mt-3 flex flex-wrap gap-2">
          <button
            v-for="a in answers"
            :key="a.key"
            type="button"
            class="press"
            :class="
              a.does === 'done' || a.does === 'check'
                ? 'press-main min-h-14'
                : a.does === 'skip' || a.does === 'pieces' || a.does === 'lost'
                  ? 'press-plain'
                  : 'min-h-14'
            "
            :disabled="a.does === 'photo' ? busy || !may : stopped"
            :aria-disabled="!settled"
            :data-answer="a.does"
            @click="press(a, $event.currentTarget as Element)"
          >
            <KeyCap :of="a.key" :does="a.label.toLowerCase()" /> <span data-says="answer">{{ a.label }}</span>
          </button>
          <button v-if="canSpeak" type="button" class="press press-plain" @click="speak">
            <KeyCap of="V" /> Read aloud
          </button>
        </div>
        <TooSoon :early="early" />
        <form
          v-if="skipping"
          class="mt-2 flex flex-wrap items-end gap-2"
          @submit.prevent="press({ key: 'K', label: '', does: 'skip' }, $event.currentTarget as Element)"
        >
          <label>Why is it skipped? <input v-model="words" class="field w-72" required maxlength="2000" /></label>
          <button type="submit" class="press">Skip it</button>
        </form>
      </div>
      <SidePlan v-if="act.part" :parts="opening.parts" :view="act.view" :lit="act.part" :group="act.removal" />
    </div>
    <input
      ref="file"
      type="file"
      accept="image/*"
      capture="environment"
      class="sr-only"
      tabindex="-1"
      aria-label="Photo"
      @change="picked"
    />
  </section>
</template>
