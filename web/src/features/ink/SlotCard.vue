<script setup lang="ts">
import { computed } from 'vue'
import { day, moment, withUnit } from '@/shared/format'
import KeyCap from '@/shared/ui/KeyCap.vue'
import SlotMap from '@/shared/ui/SlotMap.vue'
import SlotLife from './SlotLife.vue'
import type { SlotAct } from './SlotDialog.vue'
import type { Ink, SlotInk } from './useInk'

const props = defineProps<{
  /** Ink of the job. */
  ink: Ink
  /** The slot. */
  of: SlotInk
  /** Whether something can be told now. */
  may: boolean
}>()
const emit = defineEmits<{ act: [act: SlotAct]; fit: [] }>()
const figures = computed(() => {
  const s = props.of
  const band = (f: { best: number; low: number; high: number }, unit: string, digits: number) =>
    `${withUnit(f.best, unit, digits)} (${f.low.toFixed(digits)} to ${f.high.toFixed(digits)})`
  const digits = s.fillMl < 40 ? 1 : 0
  return [
    { name: 'In it', says: s.inkMl ? band(s.inkMl, 'ml', digits) : 'not known' },
    { name: 'Chip', says: !s.hasCount ? 'none' : s.chip === null ? 'not read' : withUnit(s.chip, '%') },
    ...(s.dryAt && s.dryAt.best > 0 ? [{ name: 'Dry at chip', says: band(s.dryAt, '%', 0) }] : []),
    ...(s.mlPerDay ? [{ name: 'Uses a day', says: band(s.mlPerDay, 'ml', 1) }] : []),
    ...(s.dryOn && s.dryEarliest
      ? [
          {
            name: 'Down to its reserve',
            says: `${day(s.dryOn)} (${day(s.dryEarliest)}${s.dryLatest ? ` to ${day(s.dryLatest)}` : ' on'})`,
          },
        ]
      : []),
    ...(s.addMl !== null && s.isFilled ? [{ name: 'To full', says: withUnit(s.addMl, 'ml', digits) }] : []),
  ]
})
</script>

<template>
  <section class="panel no-print p-3" aria-labelledby="slot-title" data-testid="slot-card" :data-slot="of.panel">
    <p class="text-sm text-soft">
      Slot {{ of.panel }}, {{ of.typeName }}<template v-if="!of.told">, not told: taken from the take-in</template
      ><template v-if="of.since">, since {{ moment(of.since) }}</template>
    </p>
    <h2 id="slot-title" class="text-base">
      <span
        class="mr-1 inline-block h-3 w-3 border border-edge"
        :style="{ background: of.colour }"
        aria-hidden="true"
      />
      {{ of.ink }}: {{ of.says }}
    </h2>
    <ul v-if="of.warnings.length" class="mt-1.5 border-l-4 border-stop bg-stop-tint px-3 py-1.5">
      <li v-for="w in of.warnings" :key="w">{{ w }}</li>
    </ul>
    <p v-if="of.why" class="mt-1">{{ of.why }}</p>
    <p v-if="of.airSince" class="mt-1 font-bold text-stop">
      Below its reserve since about {{ moment(of.airSince) }}: air is likely.
    </p>
    <dl class="mt-1.5 grid grid-cols-[auto_1fr] gap-x-3">
      <template v-for="f in figures" :key="f.name">
        <dt class="text-soft">{{ f.name }}</dt>
        <dd class="font-mono">{{ f.says }}</dd>
      </template>
    </dl>
    <p v-if="of.from" class="text-sm text-soft">{{ of.from }}. In brackets: 9 of 10 such slots.</p>
    <ul v-if="of.doubts.length" class="mt-1 border-l-4 border-wait bg-wait-tint px-3 py-1">
      <li v-for="d in of.doubts" :key="d">{{ d }}</li>
    </ul>
    <div v-if="ink.open" class="no-print mt-2 flex flex-wrap gap-2">
      <button v-if="of.canWeigh" type="button" class="press" :disabled="!may" @click="emit('act', 'weigh')">
        <KeyCap of="W" /> Weigh
      </button>
      <button v-if="of.isFilled" type="button" class="press" :disabled="!may" @click="emit('act', 'fill')">
        <KeyCap of="F" /> Fill
      </button>
      <button v-if="of.tool" type="button" class="press" :disabled="!may" @click="emit('act', 'reset')">
        <KeyCap of="R" /> Reset
      </button>
      <button v-if="of.types.length" type="button" class="press" :disabled="!may" @click="emit('fit')">
        <KeyCap of="X" /> Fitted
      </button>
    </div>
    <SlotMap :slots="ink.map as never" :told="of.panel" />
    <p class="mt-1 text-sm">{{ of.front }}; {{ of.back }}.</p>
    <p v-if="of.align" class="mt-1 text-sm">Tool: {{ of.align }}.</p>
    <p v-if="ink.wasteAt" class="mt-1 text-sm text-soft">Waste: {{ ink.wasteAt }}.</p>
    <div class="mt-2"><SlotLife :job="ink.job" :panel="of.panel" :version="ink.version" /></div>
  </section>
</template>
