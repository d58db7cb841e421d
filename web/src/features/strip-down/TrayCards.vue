<script setup lang="ts">
import { moment } from '@/shared/format'
import FastenerRow from './FastenerRow.vue'
import type { TrayCard } from './useOpening'

defineProps<{
  /** What is on the tray, in the order things came off. */
  tray: TrayCard[]
  /** What stands in the way of power. */
  cannotPower: string[]
  /** Whether this person may keep the tray. */
  may: boolean
}>()
const emit = defineEmits<{ open: [card: TrayCard]; add: [] }>()
const MOST = 4
const tone = (c: TrayCard) =>
  ['inside', 'wet', 'clamped', 'bridged'].includes(c.change) || c.lost > 0
    ? { edge: 'border-stop', word: 'text-stop' }
    : ['open', 'unplugged', 'plugged', 'taped'].includes(c.change)
      ? { edge: 'border-wait', word: 'text-wait' }
      : { edge: 'border-edge', word: 'text-soft' }
const state = (c: TrayCard) =>
  [
    c.fasteners ? `${c.change}, ${c.count - c.lost} of ${c.fasteners.count}` : '',
    c.fasteners?.collared ? 'only here' : '',
    c.since ? moment(c.since) : '',
  ]
    .filter(Boolean)
    .join(' · ')
</script>

<template>
  <section class="panel" aria-labelledby="tray-cards-title" data-testid="tray-cards">
    <div class="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1">
      <h2 id="tray-cards-title" class="text-base">Tray, in the order things came off</h2>
      <button v-if="may" type="button" class="press press-plain ml-auto px-2" @click="emit('add')">
        + put by hand
      </button>
    </div>
    <p v-if="tray.length === 0" class="text-go">✓ Clear: nothing is off, open or inside.</p>
    <ul class="grid grid-cols-2 gap-2 md:grid-cols-3 xl:grid-cols-4">
      <li v-for="c in tray" :key="c.item" :data-tray="c.label">
        <button
          type="button"
          class="flex h-full min-h-16 w-full flex-col items-start rounded border p-2 text-left"
          :class="tone(c).edge"
          @click="emit('open', c)"
        >
          <FastenerRow v-if="c.fasteners" :group="c.fasteners" class="mb-1" />
          <strong v-else class="font-mono uppercase" :class="tone(c).word">{{ c.change }}</strong>
          <span class="font-bold">{{ c.label }}</span>
          <span v-if="state(c)" class="text-sm text-soft">{{ state(c) }}</span>
          <span v-if="c.lost" class="text-sm font-bold text-stop">{{ c.lost }} missing</span>
          <span v-if="c.forbids.length" class="text-sm text-stop">undo before {{ c.forbids.join(', ') }}</span>
        </button>
      </li>
    </ul>
    <p v-if="cannotPower.length" class="mt-2 text-sm">
      <strong class="text-stop">No power yet:</strong> {{ cannotPower.slice(0, MOST).join(', ')
      }}{{ cannotPower.length > MOST ? ` and ${cannotPower.length - MOST} more` : '' }}.
    </p>
  </section>
</template>
