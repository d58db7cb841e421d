<script setup lang="ts">
import { moment } from '@/shared/format'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import PieceCounts from './PieceCounts.vue'
import type { OpeningDesk, TrayCard } from './useOpening'

const props = defineProps<{
  /** What lies on the tray; null when closed. */
  card: TrayCard | null
  /** The writes. */
  desk: OpeningDesk
  /** Whether this person may keep the tray. */
  may: boolean
}>()
const emit = defineEmits<{ close: []; renew: [part: string]; stay: [card: TrayCard] }>()
const back = async () => props.card && (await props.desk.back({ item: props.card.item, count: null })) && emit('close')
</script>

<template>
  <AppDialog :open="card !== null" :title="card ? `${card.label}, ${card.change}` : ''" @close="emit('close')">
    <div v-if="card" class="space-y-3">
      <p>{{ card.undo }}</p>
      <p v-if="card.since" class="text-soft">{{ moment(card.since) }}, {{ card.who }}.</p>
      <p v-if="card.beneath.length" class="border-l-4 border-stop bg-stop-tint px-3 py-1.5">
        Before it goes back: {{ card.beneath.join(', ') }}.
      </p>
      <ProblemNote
        :problem="desk.problem.value"
        :asking="desk.asking.value"
        @over="async (why) => (await desk.sayOver(why)) && emit('close')"
        @dismiss="desk.dismiss"
      />
      <div v-if="may" class="flex flex-wrap gap-2">
        <button type="button" class="press press-main" :disabled="desk.busy.value" data-testid="put-back" @click="back">
          It is back
        </button>
        <button v-if="card.part && !card.fasteners" type="button" class="press" @click="emit('renew', card.part)">
          It was renewed
        </button>
        <button v-if="card.change !== 'inside'" type="button" class="press press-plain" @click="emit('stay', card)">
          It stays {{ card.change }}
        </button>
      </div>
      <PieceCounts v-if="card.fasteners && may" :group="card.fasteners" :desk="desk" @done="emit('close')" />
    </div>
  </AppDialog>
</template>
