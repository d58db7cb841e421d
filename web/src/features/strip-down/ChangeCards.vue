<script setup lang="ts">
import { day } from '@/shared/format'
import type { Opening } from './useOpening'

defineProps<{
  /** How far the machine is open. */
  opening: Opening
  /** Whether this person may work at the bench. */
  may: boolean
}>()
const emit = defineEmits<{ tell: [change: Opening['changes'][number]] }>()
</script>

<template>
  <details v-if="opening.changes.length" class="panel" :open="opening.changes.some((c) => c.has)" data-testid="changes">
    <summary class="min-h-11 cursor-pointer content-center font-bold">
      What differs on this machine for good
      <span class="font-normal text-soft">{{ opening.changes.filter((c) => c.has).length || 'nothing told' }}</span>
    </summary>
    <ul class="divide-y divide-line">
      <li v-for="c in opening.changes" :key="c.id" class="flex flex-wrap items-center gap-x-3 py-1">
        <span class="min-w-0 flex-1 basis-56">
          <strong>{{ c.has ? '✓ ' : '' }}{{ c.name }}</strong>
          <span v-if="c.since" class="text-sm text-soft"> since {{ day(c.since) }}</span>
          <span class="block text-sm text-soft">{{ c.says }}</span>
        </span>
        <button v-if="may && !c.has" type="button" class="press" :data-change="c.id" @click="emit('tell', c)">
          It has this
        </button>
        <button v-else-if="may && !c.forEver" type="button" class="press" :data-change="c.id" @click="emit('tell', c)">
          It was undone
        </button>
        <span v-else-if="c.has && c.forEver" class="text-sm text-soft">cannot be undone</span>
      </li>
    </ul>
    <ul v-if="opening.staysChanged.length" class="mt-1 text-sm text-soft">
      <li v-for="s in opening.staysChanged" :key="s">{{ s }}</li>
    </ul>
  </details>
</template>
