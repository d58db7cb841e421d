<script setup lang="ts">
import { ref } from 'vue'
import type { ProblemBody } from '@/shared/api/client'

defineProps<{
  /** What was refused; null draws nothing. */
  problem: ProblemBody | null
  /** Whether the same write can be sent again. Default: false. */
  canRetry?: boolean
  /** How many presses wait to be sent again, in their order. Default: the one. */
  waits?: number
  /** Whether it is asked again right now whether the write got through. Default: false. */
  asking?: boolean
}>()
const emit = defineEmits<{ retry: []; dismiss: []; over: [why: string] }>()
const why = ref('')
</script>

<template>
  <div
    v-if="problem"
    role="alert"
    :data-code="problem.code"
    class="rounded border-l-4 border-stop bg-stop-tint p-3 text-ink"
  >
    <template v-if="problem.problems.length > 1">
      <p class="font-bold">{{ problem.problems.length }} things stand in the way</p>
      <p>Each is marked where it stands. Nothing was written.</p>
    </template>
    <template v-else>
      <p class="font-bold">{{ problem.title }}</p>
      <p>{{ problem.detail }} {{ problem.hint }}</p>
    </template>
    <ul v-if="problem.changes.length" class="mt-1 list-disc pl-5">
      <li v-for="(change, i) in problem.changes" :key="i">{{ change }}</li>
    </ul>
    <div v-if="problem.code === 'wait-guards'" class="mt-2 flex flex-wrap items-end gap-2">
      <label>
        Why is it over?
        <input
          v-model="why"
          class="field w-72"
          maxlength="2000"
          @keydown.enter.prevent="why.trim() && emit('over', why)"
        />
      </label>
      <button type="button" class="press" :disabled="!why.trim()" @click="emit('over', why)">It is over</button>
    </div>
    <p v-if="asking" class="mt-1 font-bold" data-testid="asking">Asking again …</p>
    <div v-else class="mt-2 flex flex-wrap gap-2">
      <button v-if="canRetry" type="button" class="press" @click="emit('retry')">
        Try again{{ waits && waits > 1 ? `: ${waits} presses wait, in their order` : '' }}
      </button>
      <button type="button" class="press" @click="emit('dismiss')">Understood</button>
    </div>
  </div>
</template>
