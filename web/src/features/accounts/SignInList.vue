<script setup lang="ts">
import { computed } from 'vue'
import { moment } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import { useSignIns } from './useAccounts'

const props = defineProps<{
  /** Of everybody, or one's own alone. */
  all: boolean
}>()
const session = useSession()
const signIns = useSignIns()
const rows = computed(() => (signIns.query.data.value ?? []).filter((s) => props.all || s.of === session.person?.id))
</script>

<template>
  <LoadState
    :pending="signIns.query.isPending.value"
    :error="signIns.query.error.value"
    what="where people are signed in"
    @retry="signIns.query.refetch()"
  >
    <ProblemNote
      class="mb-2"
      :problem="signIns.problem.value"
      :asking="signIns.asking.value"
      :can-retry="signIns.canRetry.value"
      @retry="signIns.retry"
      @dismiss="signIns.dismiss"
    />
    <ul class="divide-y divide-line" data-testid="sign-ins">
      <li v-for="s in rows" :key="s.id" class="flex min-h-11 flex-wrap items-center justify-between gap-x-3 py-1">
        <span>
          <b>{{ all ? `${s.name}, ${s.place}` : s.place }}</b>{{ s.isHere ? ', this one' : '' }}
          <span class="block text-sm text-soft"
            >since {{ moment(s.since) }}, used {{ moment(s.seenAt) }}, from {{ s.address }}</span
          >
        </span>
        <button v-if="!s.isHere" type="button" class="press" :disabled="signIns.busy.value" @click="signIns.end(s.id)">
          Sign out<span class="sr-only"> {{ s.name }}, {{ s.place }}, since {{ moment(s.since) }}</span>
        </button>
      </li>
    </ul>
  </LoadState>
</template>
