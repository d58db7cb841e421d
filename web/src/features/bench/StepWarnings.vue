<script setup lang="ts">
import type { Step } from './useJob'

defineProps<{
  /** The step. */
  step: Step
  /** Things on the tray: one press clears them when they hold the step. */
  trayCount: number
}>()
const emit = defineEmits<{ clearTray: [] }>()
const byTray = ['open-no-power', 'inside-no-power', 'wet-contacts', 'no-pads']
</script>

<template>
  <ul
    v-if="step.cautions.length"
    class="mt-1.5 flex flex-wrap gap-x-4 border-l-4 border-stop pl-3"
    aria-label="Cautions"
  >
    <li v-for="c in step.cautions" :key="c" class="font-bold text-stop">{{ c }}</li>
  </ul>
  <div v-if="step.held" class="mt-1.5 rounded border-l-4 border-stop bg-stop-tint px-3 py-2" data-testid="step-held">
    <p><strong>Not yet.</strong> {{ step.held.reason }} {{ step.held.lift }}</p>
    <button
      v-if="trayCount > 0 && byTray.includes(step.held.gate)"
      type="button"
      class="press mt-2"
      @click="emit('clearTray')"
    >
      All back, dry and out: clear the tray
    </button>
  </div>
</template>
