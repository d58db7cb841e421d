<script setup lang="ts">
import { computed } from 'vue'
import { counted, day, money, withUnit } from '@/shared/format'
import { useSettled } from '@/shared/state/useSettled'
import KeyCap from '@/shared/ui/KeyCap.vue'
import TooSoon from '@/shared/ui/TooSoon.vue'
import type { Ink } from './useInk'

const props = defineProps<{
  /** Ink of the job. */
  ink: Ink
  /** A write is on its way. */
  busy: boolean
  /** Whether this person may work at the bench. */
  may: boolean
  /** What the shelf has of each ink, by its name. Default: not known. */
  bottles?: Record<string, { name: string; ml: number }>
}>()
const emit = defineEmits<{ done: []; chips: []; session: []; plugs: [count: number] }>()
const poured = computed(() =>
  (visit.value?.fills ?? [])
    .filter((f) => f.ml > 0 && props.bottles?.[f.ink])
    .map((f) => ({ ...f, ...props.bottles![f.ink]!, need: f.ml })),
)
const out = computed(() => props.ink.plugsOut)
const visit = computed(() => props.ink.visit)
const unknown = computed(() => props.ink.slots.filter((s) => s.urgency === 'unknown').length)
const unread = computed(() => props.ink.slots.some((s) => s.urgency === 'unknown' && s.hasCount && s.chip === null))
const title = computed(() => {
  if (!visit.value && unknown.value) return unread.value ? 'Read the chips first' : 'Weigh what is not known'
  if (!visit.value) return 'Nothing is due'
  const n = visit.value.slots.length
  return n === props.ink.slots.length
    ? n === 1
      ? 'The one slot'
      : `All ${n} slots, in one visit`
    : `${n > 1 ? 'Slots' : 'Slot'} ${visit.value.slots.join(', ')}, in one visit`
})
const { settled, early, counts } = useSettled(() => `${title.value} ${props.ink.version}`)
const stopped = computed(() => props.busy || !props.may || !props.ink.open || !!visit.value?.held)
function press() {
  if (stopped.value || !counts()) return
  if (visit.value) emit('done')
  else if (unread.value) emit('chips')
}
const print = () => window.print()
</script>

<template>
  <section class="panel border-2 border-ink p-3" aria-labelledby="visit-title" data-testid="ink-visit">
    <p class="text-sm text-soft">
      Do next<template v-if="visit">
        · {{ withUnit(visit.minutes, 'min') }} ·
        {{
          visit.purgeMl > 0
            ? `one purge: ${withUnit(visit.purgeMl, 'ml', 1)}, ${withUnit(visit.purgeCounterPct, '%', 1)} of the counter`
            : 'no purge'
        }}</template
      >
    </p>
    <h2 id="visit-title" class="mt-0.5 text-xl" aria-live="polite">{{ title }}</h2>
    <template v-if="visit">
      <p v-if="visit.held" class="mt-1.5 border-l-4 border-stop bg-stop-tint px-3 py-1.5">{{ visit.held }}</p>
      <ol class="mt-1.5 divide-y divide-line">
        <li v-for="(s, i) in visit.steps" :key="s" class="flex gap-3 py-1.5">
          <b>{{ i + 1 }}</b> {{ s }}
        </li>
      </ol>
      <ul
        class="mt-1.5 grid grid-cols-[repeat(auto-fill,minmax(8.5rem,1fr))] gap-x-3 border-t border-line pt-1.5"
        aria-label="What goes in"
      >
        <li v-for="f in visit.fills" :key="f.slot" class="flex items-baseline gap-1.5">
          <span class="hidden h-4 w-4 border border-ink print:inline-block" aria-hidden="true" />
          <span class="font-mono">{{ f.slot }}</span>
          <span class="min-w-0 flex-1 truncate" :title="f.what">{{ f.ink }}</span>
          <b class="font-mono">{{ f.ml > 0 ? withUnit(f.ml, 'ml', f.ml < 20 ? 1 : 0) : 'new' }}</b>
        </li>
      </ul>
      <p v-if="poured.length" class="mt-1.5 text-sm" data-testid="poured">
        From the shelf:
        <template v-for="(p, i) in poured" :key="p.slot"
          >{{ i ? ', ' : '' }}{{ p.name
          }}<b v-if="p.need > p.ml" class="text-stop">, only {{ withUnit(p.ml, 'ml') }} left</b></template
        >.
      </p>
      <p class="mt-1.5 text-sm text-soft">
        <template v-if="visit.inkMl > 0">{{ withUnit(visit.inkMl, 'ml') }} in all,</template>
        {{ money(visit.cost, ink.currency) }}.
        <template v-if="visit.savedMl > 0">
          One at a time would cost {{ withUnit(visit.savedMl, 'ml', 1) }} of ink and
          {{ withUnit(visit.savedCounterPct, '%', 1) }} of the waste counter more.</template
        >
      </p>
      <div class="no-print mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          class="press press-main min-h-14 flex-1 justify-start"
          :disabled="stopped"
          :aria-disabled="!settled"
          data-testid="visit-done"
          @click="press"
        >
          <KeyCap of="1" />
          {{
            out
              ? `${out} plug${out > 1 ? 's' : ''} back, done so`
              : visit.inkMl > 0
                ? 'Done so, all to full'
                : 'Done so'
          }}
        </button>
        <button
          v-if="visit.plugs > 0 && !out"
          type="button"
          class="press"
          :disabled="stopped"
          @click="emit('plugs', visit.plugs)"
        >
          <KeyCap of="L" /> {{ visit.plugs }} plug{{ visit.plugs > 1 ? 's' : '' }} out
        </button>
        <button
          v-if="visit.inkMl > 0"
          type="button"
          class="press"
          :disabled="busy || !may || !ink.open"
          @click="emit('session')"
        >
          <KeyCap of="S" /> Slot by slot
        </button>
        <button type="button" class="press" @click="print"><KeyCap of="P" /> Print the fill card</button>
      </div>
    </template>
    <template v-else-if="unknown">
      <p class="mt-1.5">
        <template v-if="unread"
          >Nothing is known of {{ unknown }} of {{ counted(ink.slots.length, 'slot') }}. What the panel shows is a
          beginning.</template
        >
        <template v-else
          >The count alone does not say what is in {{ unknown }} of {{ counted(ink.slots.length, 'slot') }}. Weigh them,
          or say when they were filled.</template
        >
      </p>
      <button
        v-if="unread"
        type="button"
        class="press press-main mt-2 min-h-14 w-full justify-start"
        :disabled="stopped"
        @click="press"
      >
        <KeyCap of="1" /> Tell what the panel shows
      </button>
    </template>
    <p v-else class="mt-1.5">Every slot has ink above its reserve, and no chip asks for anything.</p>
    <p v-if="!visit && ink.next" class="mt-1.5" data-testid="next-session">
      Next about <b>{{ day(ink.next.on) }}</b> ({{ day(ink.next.earliest) }} to {{ day(ink.next.latest) }}): slot
      {{ ink.next.slot }}, {{ ink.next.ink
      }}<template v-if="ink.next.with.length"
        >, and with it slot{{ ink.next.with.length > 1 ? 's' : '' }} {{ ink.next.with.join(', ') }}</template
      >.
    </p>
    <TooSoon :early="early" />
    <p v-if="!may" class="mt-2 text-soft">The counter looks on: a technician does it.</p>
  </section>
</template>
