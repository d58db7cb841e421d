<script setup lang="ts">
import { money, withUnit } from '@/shared/format'
import type { Opening } from './useOpening'

defineProps<{
  /** How far the machine is open. */
  opening: Opening
}>()
const FIRST = 4
</script>

<template>
  <div class="grid gap-3 md:grid-cols-2">
    <section v-if="opening.tray.length" class="panel" aria-labelledby="back-title">
      <h2 id="back-title" class="text-base">Way back</h2>
      <p>
        Made from this tray, last off first: {{ opening.back.length }}
        {{ opening.back.length === 1 ? 'step' : 'steps' }}, {{ withUnit(opening.backFromTrayMin, 'min') }}.
      </p>
      <ol class="mt-1 list-decimal pl-6 text-sm">
        <li v-for="b in opening.back.slice(0, FIRST)" :key="b.key">{{ b.title }}</li>
        <li v-if="opening.back.length > FIRST" class="list-none text-soft">
          and {{ opening.back.length - FIRST }} more
        </li>
      </ol>
    </section>
    <section v-if="opening.whileOpen.length" class="panel" aria-labelledby="while-title" data-testid="while-open">
      <h2 id="while-title" class="text-base">While it is open anyway</h2>
      <ul class="divide-y divide-line">
        <li v-for="o in opening.whileOpen" :key="o.service" class="py-1" :data-worth="o.isWorth">
          {{ o.says }}
          <strong :class="o.isWorth ? 'text-go' : 'text-soft'">{{
            o.isWorth ? 'Worth it now' : 'Leave it for later'
          }}</strong>: {{ money(o.saved, opening.currency) }} of bench time saved,
          {{ money(o.thrownAway, opening.currency) }} of parts thrown away early.
        </li>
      </ul>
    </section>
  </div>
</template>
