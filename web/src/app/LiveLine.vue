<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { ref, watch } from 'vue'

const props = defineProps<{
  /** State of the line to the server: CONNECTING, OPEN or CLOSED. */
  status: 'CONNECTING' | 'OPEN' | 'CLOSED'
}>()
const lost = ref(false)
const { start, stop } = useTimeoutFn(() => (lost.value = true), 2500, { immediate: false })
watch(
  () => props.status,
  (status) => {
    if (status === 'OPEN') {
      stop()
      lost.value = false
    } else start()
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="lost" role="status" class="no-print mb-3 rounded border border-wait bg-wait-tint p-2 text-ink">
    No line to the server: what you see may be out of date. It is tried again every second.
  </p>
</template>
