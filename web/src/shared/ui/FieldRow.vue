<script setup lang="ts">
import { computed, useId } from 'vue'
import type { ProblemBody } from '@/shared/api/client'

const props = defineProps<{
  /** The label, as a technician reads it. */
  label: string
  /** JSON pointer of the field, to place problems. */
  pointer: string
  /** What was refused. */
  problem?: ProblemBody | null
  /** A short help under the label. */
  help?: string
}>()
const id = useId()
const found = computed(() => props.problem?.problems.find((p) => p.pointer === props.pointer) ?? null)
</script>

<template>
  <div>
    <label :for="id" class="mb-1 block font-bold">{{ label }}</label>
    <p v-if="help" :id="`${id}-help`" class="mb-1 text-sm text-soft">{{ help }}</p>
    <slot :id="id" :invalid="found !== null" :described="found ? `${id}-problem` : help ? `${id}-help` : undefined" />
    <p v-if="found" :id="`${id}-problem`" class="mt-1 text-stop">
      {{ found.title }}. {{ found.detail }} {{ found.hint }}
    </p>
  </div>
</template>
