<script setup lang="ts">
import { day } from '@/shared/format'

defineProps<{
  /** What the paper is about: a tag, a model, a guide. */
  about: string
}>()
</script>

<template>
  <p class="on-paper mb-2 border-b border-line pb-1 text-sm">
    Side Bench · {{ about }} · printed {{ day(new Date().toISOString()) }}
  </p>
</template>
