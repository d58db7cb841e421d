<script setup lang="ts">
import HoleDrawing from './HoleDrawing.vue'
import StackDrawing from './StackDrawing.vue'
import type { Drawing } from './useOpening'

defineProps<{
  /** What is drawn with a step. */
  drawing: Drawing
}>()
</script>

<template>
  <StackDrawing v-if="drawing.kind === 'stack'" :drawing="drawing" />
  <figure v-else class="my-2 max-w-sm">
    <figcaption class="text-sm text-soft">
      {{ drawing.hole?.wall }}, seen from outside; clear of {{ drawing.hole?.clear }}
    </figcaption>
    <HoleDrawing :drawing="drawing" class="w-full border border-line" />
    <RouterLink class="press no-print mt-1" :to="`/guides/template/${drawing.modelId}`"
      >At full size, to print</RouterLink
    >
  </figure>
</template>
