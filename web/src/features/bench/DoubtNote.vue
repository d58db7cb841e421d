<script setup lang="ts">
import type { Api } from '@/shared/api/client'

defineProps<{
  /** What the record says that cannot be; nothing is drawn when there is none. */
  doubts: readonly Api<'DoubtView'>[]
}>()
</script>

<template>
  <div v-if="doubts.length" class="mt-2 rounded border-l-4 border-wait bg-wait-tint p-2.5" data-testid="doubts">
    <p class="font-bold">The record says what cannot be</p>
    <ul class="list-disc pl-5">
      <li v-for="d in doubts" :key="d.entry + d.says">
        Line {{ d.entry }}: {{ d.says }}. It is left out of what is shown.
      </li>
    </ul>
  </div>
</template>
