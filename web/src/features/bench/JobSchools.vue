<script setup lang="ts">
import type { Bench } from './useJob'

defineProps<{
  /** The job. */
  job: Bench
  /** Cannot be changed now. */
  disabled: boolean
}>()
const emit = defineEmits<{ choose: [school: string, option: string] }>()
</script>

<template>
  <details v-if="job.threadOpen" class="panel">
    <summary class="min-h-11 cursor-pointer py-2 font-bold">Schools for this job</summary>
    <div class="grid gap-3 md:grid-cols-2">
      <fieldset v-for="s in job.schools" :key="s.id" :disabled="disabled">
        <legend class="font-bold">
          {{ s.name }}
          <span class="text-sm font-normal text-soft">{{ s.own ? 'for this job' : 'as the shop does' }}</span>
        </legend>
        <label v-for="o in s.options" :key="o.id" class="flex min-h-11 items-center gap-2">
          <input
            type="radio"
            :name="`school-${s.id}`"
            :value="o.id"
            :checked="o.id === s.chosen"
            @change="emit('choose', s.id, o.id)"
          />
          <span>
            {{ o.name }} <span class="text-sm text-soft">{{ o.why }}</span>
          </span>
        </label>
      </fieldset>
    </div>
  </details>
</template>
