<script setup lang="ts">
import { computed } from 'vue'

const props = defineProps<{
  /** hands, time, rings, parts, customer, ready or gone. */
  standing: string
}>()
const words: Record<string, string> = {
  hands: 'needs hands',
  time: 'time works',
  rings: 'rings',
  parts: 'waits for parts',
  customer: 'waits for the customer',
  ready: 'ready to hand over',
  gone: 'handed over',
}
const word = computed(() => words[props.standing] ?? props.standing)
</script>

<template>
  <svg viewBox="0 0 16 16" class="inline-block size-4 shrink-0" role="img" :aria-label="word">
    <rect v-if="standing === 'hands'" x="2" y="2" width="12" height="12" fill="currentColor" />
    <circle
      v-else-if="standing === 'time'"
      cx="8"
      cy="8"
      r="6"
      fill="none"
      stroke="currentColor"
      stroke-width="2.4"
      stroke-dasharray="4 2.3"
    />
    <path v-else-if="standing === 'rings'" d="M8 1 15 14H1Z" fill="currentColor" />
    <rect
      v-else-if="standing === 'parts'"
      x="2.5"
      y="2.5"
      width="11"
      height="11"
      fill="none"
      stroke="currentColor"
      stroke-width="2.4"
    />
    <path
      v-else-if="standing === 'customer'"
      d="M8 2a5.500 5.500 0 0 1 0 11H2.500V7.500A5.500 5.500 0 0 1 8 2Z"
      fill="none"
      stroke="currentColor"
      stroke-width="2.4"
    />
    <path v-else d="M2.500 8.500 6.500 12.500 13.500 3.500" fill="none" stroke="currentColor" stroke-width="2.6" />
  </svg>
</template>
