<script setup lang="ts">
import { moment } from '@/shared/format'
import type { Api } from '@/shared/api/client'

defineProps<{
  /** Lines of the record, newest first. */
  entries: readonly Api<'EntryView'>[]
}>()
const told: Record<string, string> = {
  key: 'by key',
  hand: 'by hand',
  typed: 'typed',
  scan: 'by scan',
  guide: 'by a guide’s step',
}
</script>

<template>
  <ol class="divide-y divide-line">
    <li
      v-for="e in entries"
      :key="e.id"
      class="grid gap-x-3 py-1.5 sm:grid-cols-[12rem_1fr_9rem]"
      :data-entry="e.kind"
      :data-taken-back="e.takenBack || undefined"
    >
      <time :datetime="e.at" class="font-mono text-sm text-soft">{{ moment(e.at) }}</time>
      <span>
        <span :class="e.takenBack ? 'line-through' : ''">{{ e.says }}</span>
        <strong v-if="e.takenBack" class="text-wait"> taken back</strong>
        <span class="ml-2 font-mono text-xs text-soft">entry {{ e.id }}</span>
      </span>
      <span class="text-sm text-soft"
        >{{ e.person }}<template v-if="e.how && told[e.how]">, {{ told[e.how] }}</template></span
      >
    </li>
  </ol>
</template>
