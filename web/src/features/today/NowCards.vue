<script setup lang="ts">
import { moment, withUnit } from '@/shared/format'
import { reminderPage, type Day } from './useDay'

defineProps<{
  /** The plan. */
  day: Day
  /** The server's time, ms. */
  now: number
}>()
</script>

<template>
  <div class="grid gap-2 sm:grid-cols-2" data-testid="now-cards">
    <section
      v-for="n in day.nows"
      :key="n.person"
      class="panel p-3"
      :class="n.now ? 'border-2 border-ink' : ''"
      :aria-labelledby="`now-${n.person}`"
      :data-person="n.person"
    >
      <h2 :id="`now-${n.person}`" class="text-sm font-normal text-soft">
        {{ n.name }}, {{ n.now ? 'hands now' : n.here ? 'hands free now' : 'not here now' }}
      </h2>
      <template v-if="n.now">
        <p class="text-lg font-bold">
          <RouterLink
            :to="n.now.reminder ? reminderPage(n.now.reminder) : `/bench/${n.now.job}`"
            class="inline-flex min-h-11 items-center underline underline-offset-3"
            ><template v-if="n.now.tag">{{ n.now.tag }}: </template>{{ n.now.says }}</RouterLink
          >
        </p>
        <p>
          {{ n.now.machine }}, about <b class="font-mono">{{ withUnit(Math.max(1, n.now.minutes), 'min') }}</b>, because
          {{ n.now.because }}.
        </p>
      </template>
      <p v-else-if="!n.then.length" class="text-lg">Nothing waits for these hands.</p>
      <ol v-if="n.then.length" class="mt-1 text-sm" aria-label="Then">
        <li v-for="t in n.then" :key="t.job + t.from" class="flex gap-2">
          <span class="shrink-0 font-mono">{{ moment(t.from, new Date(now)) }}</span>
          <span class="min-w-0"
            ><template v-if="t.tag">{{ t.tag }}: </template>{{ t.says }}</span
          >
        </li>
      </ol>
    </section>
  </div>
</template>
