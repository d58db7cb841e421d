<script setup lang="ts">
import { computed, ref } from 'vue'
import { countdown, wait } from '@/shared/format'
import { useNow } from '@/shared/state/useNow'
import KeyCap from '@/shared/ui/KeyCap.vue'
import AppDialog from '@/shared/ui/AppDialog.vue'
import type { Bench } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
  /** A write is on its way. */
  busy: boolean
  /** Whether this person may keep clocks. */
  mayBench: boolean
}>()
const emit = defineEmits<{ start: [kind: string, label: string, minutes: number]; stop: [clock: string] }>()
const now = useNow()
const starting = ref(false)
const kind = ref(props.job.clockKinds[0] ?? '')
const minutes = ref(props.job.presets[0]?.minutes ?? 0)
const left = (iso: string) => new Date(iso).getTime() - now.value

function start(k: string, m: number) {
  emit('start', k, '', m)
  starting.value = false
}

/** The clock whose end the key stands beside: the first that rings. */
const ringing = computed(() => props.job.clocks.find((c) => left(c.endsAt) <= 0)?.id)
</script>

<template>
  <section class="panel p-3" aria-labelledby="clocks-title" data-testid="clocks">
    <h2 id="clocks-title" class="text-base">Clocks</h2>
    <p v-if="job.clocks.length === 0" class="mt-1 text-soft">None running.</p>
    <ul class="divide-y divide-line">
      <li
        v-for="c in job.clocks"
        :key="c.id"
        class="flex flex-wrap items-center justify-between gap-x-3 py-1"
        :data-clock="c.kind"
        :data-rings="left(c.endsAt) <= 0 || undefined"
      >
        <span class="font-mono text-xl font-bold" :class="left(c.endsAt) <= 0 ? 'rings text-stop' : 'text-wait'">
          {{ countdown(left(c.endsAt)) }}
        </span>
        <span class="order-first basis-full">
          {{ c.label }}
          <strong v-if="left(c.endsAt) <= 0" class="text-stop">is up</strong>
          <span v-if="c.latestAt && left(c.latestAt) < 0" class="block font-bold text-stop">past its longest</span>
          <span v-else-if="c.latestAt" class="block text-sm text-soft"
            >at most {{ countdown(left(c.latestAt)) }} more</span
          >
        </span>
        <button v-if="mayBench" type="button" class="press px-2" :disabled="busy" @click="emit('stop', c.id)">
          <KeyCap v-if="c.id === ringing" of="T" /> end<span class="sr-only">: {{ c.label }}</span>
        </button>
      </li>
    </ul>
    <button v-if="mayBench && !job.closedHow" type="button" class="press mt-2" @click="starting = true">
      <KeyCap v-if="!ringing" of="T" /> Start a clock
    </button>
    <AppDialog :open="starting" title="Start a clock" @close="starting = false">
      <div class="grid grid-cols-2 gap-2">
        <button
          v-for="p in job.presets"
          :key="p.kind"
          type="button"
          class="press min-h-14"
          @click="start(p.kind, p.minutes)"
        >
          {{ p.kind }} {{ wait(p.minutes) }}
        </button>
      </div>
      <form class="mt-4 flex items-end gap-2" @submit.prevent="start(kind, minutes)">
        <label class="block flex-1">
          <span class="font-bold">Another</span>
          <select v-model="kind" class="field">
            <option v-for="k in job.clockKinds" :key="k">{{ k }}</option>
          </select>
        </label>
        <label class="block w-28">
          <span class="font-bold">Minutes</span>
          <input v-model.number="minutes" type="number" min="0.05" max="43200" step="any" class="field font-mono" />
        </label>
        <button type="submit" class="press press-main">Start</button>
      </form>
    </AppDialog>
  </section>
</template>
