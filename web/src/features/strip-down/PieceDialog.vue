<script setup lang="ts">
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
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
    <ProblemNote :problem="desk.problem.value" :asking="desk.asking.value" @dismiss="desk.dismiss" />
    <PieceCounts v-if="group" :group="group" :desk="desk" @done="emit('close')" />
  </AppDialog>
</template>
