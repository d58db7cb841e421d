<script setup lang="ts">
import type { Refused } from '@/shared/api/client'

defineProps<{
  /** Still loading, nothing to show yet. */
  pending: boolean
  /** Why it could not be loaded; null when it could. */
  error: unknown
  /** What is being loaded, in the middle of a sentence. */
  what: string
}>()
const emit = defineEmits<{ retry: [] }>()
const title = (error: unknown) => (error as Refused).body?.title ?? 'Could not load'
const detail = (error: unknown) => {
  const body = (error as Refused).body
  return body ? `${body.detail} ${body.hint}` : 'Try again.'
}
</script>

<template>
  <div v-if="error" role="alert" class="panel border-l-4 border-l-stop">
    <p class="font-bold">{{ title(error) }}</p>
    <p>{{ detail(error) }}</p>
    <button type="button" class="press mt-2" @click="emit('retry')">Try again</button>
  </div>
  <p v-else-if="pending" class="panel text-soft" role="status">Loading {{ what }} …</p>
  <slot v-else />
</template>
