<script setup lang="ts">
import AppDialog from '@/shared/ui/AppDialog.vue'
import PieceCounts from './PieceCounts.vue'
import type { Fasteners, OpeningDesk } from './useOpening'

defineProps<{
  /** The group; null when closed. */
  group: Fasteners | null
  /** The writes. */
  desk: OpeningDesk
}>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <AppDialog :open="group !== null" :title="group ? `Count: ${group.name}` : ''" @close="emit('close')">
    <p v-if="desk.problem.value" role="alert" class="mb-2 text-stop">
      {{ desk.problem.value.title }}. {{ desk.problem.value.detail }} {{ desk.problem.value.hint }}
    </p>
    <PieceCounts v-if="group" :group="group" :desk="desk" @done="emit('close')" />
  </AppDialog>
</template>
