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
  <div v-else-if="pending" class="panel space-y-3 text-soft" role="status">
    <p>Loading {{ what }} …</p>
    <span v-for="width in ['w-2/3', 'w-full', 'w-5/6', 'w-1/2']" :key="width" class="skeleton" :class="width" />
  </div>
  <slot v-else />
</template>
