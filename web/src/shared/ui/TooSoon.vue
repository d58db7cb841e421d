<script setup lang="ts">
defineProps<{
  /** Whether a press came before the card could be read. */
  early: boolean
}>()
</script>

<template>
  <p
    role="status"
    data-testid="too-soon"
    :class="early ? 'mt-1 border-l-4 border-wait bg-wait-tint px-3 py-1 font-bold' : 'sr-only'"
  >
    {{ early ? 'Too soon: that press was not taken. Read the card, then press.' : '' }}
  </p>
</template>
