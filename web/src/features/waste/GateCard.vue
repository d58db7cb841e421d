<script setup lang="ts">
import { computed } from 'vue'
import KeyCap from '@/shared/ui/KeyCap.vue'
import type { Waste } from './useWaste'

const props = defineProps<{
  /** Waste of the job. */
  waste: Waste
  /** Whether this person may work at the bench. */
  may: boolean
}>()
const emit = defineEmits<{ reset: []; tell: [] }>()
const missing = computed(() => props.waste.gate.filter((g) => !g.met).length)
const title = computed(() =>
  !props.waste.resetWanted
    ? 'Nothing to reset now'
    : props.waste.gateOpen
      ? 'It may be reset'
      : missing.value === 1
        ? 'One thing missing'
        : `${missing.value} things missing`,
)
</script>

<template>
  <section class="panel border-2 border-ink p-3" aria-labelledby="gate-title" data-testid="waste-gate">
    <p class="text-sm text-soft">Reset gate</p>
    <h2 id="gate-title" class="text-xl" aria-live="polite">{{ title }}</h2>
    <p v-if="!waste.resetWanted" class="text-soft">Before the next reset it asks for this:</p>
    <ul class="mt-1 divide-y divide-line">
      <li v-for="g in waste.gate" :key="g.id" class="flex gap-3 py-1.5" :data-met="g.met">
        <b aria-hidden="true" :class="g.met ? 'text-go' : 'text-stop'">{{ g.met ? '✓' : '!' }}</b>
        <span
          ><span class="sr-only">{{ g.met ? 'Met: ' : 'Missing: ' }}</span
          >{{ g.says }}</span
        >
      </li>
    </ul>
    <p v-if="!waste.gateOpen && waste.needs.length" class="mt-1 text-soft">Met by: {{ waste.needs.join(', or ') }}.</p>
    <div v-if="waste.open" class="no-print mt-2 flex flex-wrap gap-2">
      <button
        type="button"
        class="press press-main min-h-14 flex-1 justify-start"
        :disabled="!may"
        @click="emit('tell')"
      >
        <KeyCap of="1" /> Say what was done or seen
      </button>
      <button type="button" class="press min-h-14" :disabled="!may" @click="emit('reset')">
        <KeyCap of="R" /> {{ waste.gateOpen ? 'Reset' : 'Reset all the same' }}
      </button>
    </div>
  </section>
</template>
