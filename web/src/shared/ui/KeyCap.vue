<script setup lang="ts">
import { useTemplateRef } from 'vue'
import { useKeycap } from '@/shared/state/useKeys'

const props = defineProps<{
  /** The key: a digit or a letter. A stroke of it presses what the keycap stands in. */
  of: string
  /** What it does, for the list of keys. Default: what stands beside it. */
  does?: string
}>()
useKeycap(
  useTemplateRef<HTMLElement>('cap'),
  () => props.of,
  () => props.does ?? '',
)
</script>

<template>
  <span ref="cap" class="keycap shrink-0">{{ of }}</span>
</template>
