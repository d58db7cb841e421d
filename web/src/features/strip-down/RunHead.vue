<script setup lang="ts">
import { countdown, withUnit } from '@/shared/format'
import { useNow } from '@/shared/state/useNow'
import type { Run } from './useOpening'

defineProps<{
  /** The guide being followed. */
  run: Run
  /** Whether this person may work at the bench. */
  may: boolean
  /** A write is on its way. */
  busy: boolean
}>()
const emit = defineEmits<{ takeOver: []; end: [] }>()
const now = useNow()
const left = (ends: string) => new Date(ends).getTime() - now.value
</script>

<template>
  <section class="panel mb-3" aria-labelledby="run-title" data-testid="run">
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
      <h2 id="run-title" class="text-base">{{ run.name }}</h2>
      <span class="chip font-mono">{{ run.done }} of {{ run.steps }}</span>
      <span class="hidden min-w-0 flex-1 text-soft md:block">{{ run.purpose }}</span>
      <RouterLink class="press px-2" :to="`/guides/steps/${run.guide}`">On paper</RouterLink>
      <button v-if="may && !run.ended" type="button" class="press px-2" :disabled="busy" @click="emit('end')">
        {{ run.done === run.steps ? 'Guide done' : 'Give it up' }}
      </button>
    </div>
    <p v-if="run.tools.length || run.needs.length" class="mt-1 text-sm">
      Lay out: {{ [...run.tools, ...run.needs].join(', ') }}.
    </p>
    <div
      v-for="w in run.windows"
      :key="w.id"
      class="mt-2 border-l-4 px-3 py-1.5"
      :class="w.fits ? 'border-wait bg-wait-tint' : 'border-stop bg-stop-tint'"
      :data-window="w.id"
    >
      <p>
        <strong v-if="w.endsAt && left(w.endsAt) > 0" class="font-mono text-xl" role="timer">{{
          countdown(left(w.endsAt))
        }}</strong>
        <strong v-else-if="w.endsAt" class="text-stop">Over: </strong>
        <template v-if="w.minutes !== null">
          {{ w.endsAt ? ' until' : 'Before' }} {{ w.name }}: {{ withUnit(w.minutes, 'min', 1) }}, hands need
          {{ withUnit(w.handsMin, 'min', 1) }}.
        </template>
        <template v-else>On this model nothing ends it: {{ w.name }} does not happen.</template>
        <strong v-if="!w.fits"> It does not fit: do not start it alone, or do it in parts.</strong>
      </p>
      <p v-if="w.ready.length" class="text-sm">Have ready first: {{ w.ready.join(', ') }}.</p>
    </div>
    <div v-if="run.isChanged" class="mt-2 border-l-4 border-wait bg-wait-tint px-3 py-1.5" role="status">
      The guide was changed since it was begun: version {{ run.nowVersion }}, begun as {{ run.version }}. You go on with
      the one begun.
      <button type="button" class="press px-2" :disabled="busy" @click="emit('takeOver')">
        Take it over as it is now
      </button>
    </div>
  </section>
</template>
