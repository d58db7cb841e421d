<script setup lang="ts" generic="T extends string | boolean | number">
import { useId } from 'vue'

defineProps<{
  /** What is chosen. */
  label: string
  /** The choices, in order. */
  options: readonly { value: T; name: string }[]
}>()
const model = defineModel<T>({ required: true })
const name = useId()
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-bold">{{ label }}</legend>
    <div class="flex flex-wrap gap-1.5">
      <label
        v-for="o in options"
        :key="String(o.value)"
        class="press has-checked:border-mat has-checked:bg-mat has-checked:text-mat-text has-focus-visible:outline-3 has-focus-visible:outline-hands"
      >
        <input v-model="model" type="radio" class="sr-only" :name="name" :value="o.value" />
        {{ o.name }}
      </label>
    </div>
  </fieldset>
</template>
