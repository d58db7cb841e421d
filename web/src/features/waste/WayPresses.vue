<script setup lang="ts">
defineProps<{
  /** What there is to choose from. */
  ways: readonly { id: string; says: string }[]
  /** What is chosen. */
  chosen: string
}>()
const emit = defineEmits<{ choose: [id: string] }>()
</script>

<template>
  <div class="flex flex-wrap gap-2">
    <button
      v-for="w in ways"
      :key="w.id"
      type="button"
      class="press"
      :aria-pressed="chosen === w.id"
      :class="chosen === w.id ? 'press-main' : ''"
      @click="emit('choose', w.id)"
    >
      {{ w.says }}
    </button>
  </div>
</template>
