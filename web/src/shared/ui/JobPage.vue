<script setup lang="ts">
import type { JobPageDesk } from '@/shared/state/useJobPage'
import LoadState from './LoadState.vue'
import ProblemNote from './ProblemNote.vue'

defineOptions({ inheritAttrs: false })
defineProps<{
  /** What the page shows and writes. */
  desk: JobPageDesk
  /** What is being loaded, in the middle of a sentence. */
  what: string
  /** Whether something on the page says itself what was refused. Default: no. */
  quiet?: boolean
}>()
const emit = defineEmits<{ retry: [] }>()
</script>

<template>
  <LoadState
    :pending="desk.query.isPending.value"
    :error="desk.query.error.value && !desk.page.value ? desk.query.error.value : null"
    :what="what"
    @retry="desk.query.refetch()"
  >
    <article v-if="desk.page.value" v-bind="$attrs" :data-version="desk.page.value.version">
      <header class="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1.5"><slot name="head" /></header>
      <ProblemNote
        v-if="!quiet"
        class="mb-3"
        :problem="desk.problem.value"
        :asking="desk.asking.value"
        :can-retry="desk.canRetry.value"
        :waits="desk.waits.value"
        @retry="emit('retry')"
        @over="desk.sayOver"
        @dismiss="desk.dismiss"
      />
      <slot />
    </article>
  </LoadState>
</template>
