<script setup lang="ts">
import { ref, watch } from 'vue'
import AppDialog from '@/shared/ui/AppDialog.vue'
import SidePlan from './SidePlan.vue'
import type { Opening } from './useOpening'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** How far the machine is open. */
  opening: Opening
}>()
const emit = defineEmits<{ close: []; reach: [parts: string[]] }>()
const chosen = ref<string[]>([])
watch(
  () => props.open,
  () => (chosen.value = [...props.opening.targets]),
)
const press = (id: string) =>
  (chosen.value = chosen.value.includes(id) ? chosen.value.filter((c) => c !== id) : [...chosen.value, id])
const nameOf = (id: string) => props.opening.parts.find((p) => p.id === id)?.name ?? id
</script>

<template>
  <AppDialog :open="open" title="What is to be reached?" wide @close="emit('close')">
    <p class="mb-2 text-soft">Press parts on any side. The shortest way to all of them is worked out.</p>
    <SidePlan :parts="opening.parts" view="top" :chosen="chosen" pressable @press="press" />
    <p class="mt-3" aria-live="polite">
      <strong>{{ chosen.length ? chosen.map(nameOf).join(', ') : 'Nothing chosen yet.' }}</strong>
    </p>
    <button type="button" class="press press-main mt-2" data-testid="reach" @click="emit('reach', chosen)">
      {{ chosen.length ? 'Work out the way' : 'Nothing is to be reached' }}
    </button>
  </AppDialog>
</template>
