<script setup lang="ts">
import type { ProblemBody } from '@/shared/api/client'
import FieldRow from '@/shared/ui/FieldRow.vue'

const secret = defineModel<string>({ required: true })
defineProps<{
  /** The label. */
  label: string
  /** JSON pointer of the field, to place problems. */
  pointer: string
  /** What was refused. */
  problem?: ProblemBody | null
  /** What kind of secret it is, for whoever fills it in. */
  kind: 'new-password' | 'current-password' | 'pin'
  /** A short help under the label. */
  help?: string
}>()
</script>

<template>
  <FieldRow v-slot="f" :label="label" :pointer="pointer" :problem="problem" :help="help">
    <input
      :id="f.id"
      v-model="secret"
      type="password"
      class="field"
      :inputmode="kind === 'pin' ? 'numeric' : undefined"
      :autocomplete="kind === 'pin' ? 'off' : kind"
      maxlength="200"
      :aria-invalid="f.invalid"
      :aria-describedby="f.described"
    />
  </FieldRow>
</template>
