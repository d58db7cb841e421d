<script setup lang="ts">
import { useIsFetching } from '@tanstack/vue-query'
import { useTimeoutFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { writing } from '@/shared/write/inFlight'

const fetching = useIsFetching()
const busy = computed(() => fetching.value > 0 || writing.value > 0)
const shown = ref(false)
const { start, stop } = useTimeoutFn(() => (shown.value = true), 300, { immediate: false })
watch(busy, (is) => {
  if (is) start()
  else {
    stop()
    shown.value = false
  }
})
</script>

<template>
  <p
    v-if="shown"
    class="no-print pointer-events-none fixed top-20 right-3 z-40 rounded border border-edge bg-sheet px-3 py-1 text-sm"
    data-testid="busy"
  >
    working …
  </p>
</template>
