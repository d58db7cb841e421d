<script setup lang="ts">
import { day, money, withUnit } from '@/shared/format'
import type { Api } from '@/shared/api/client'
import PaperHead from '@/shared/ui/PaperHead.vue'

defineProps<{
  /** The sheet. */
  sheet: Api<'HandOverView'>
}>()
</script>

<template>
  <article class="panel space-y-3 text-[15px]" data-testid="hand-over-sheet">
    <PaperHead :about="`hand-over of ${sheet.tag}`" />
    <header class="border-b-2 border-ink pb-2">
      <p class="flex justify-between">
        <strong>Hand-over</strong><span class="font-mono font-bold">{{ sheet.tag }}</span>
      </p>
      <h1 class="text-2xl">{{ sheet.machine }}</h1>
      <p>
        <span class="font-mono">serial {{ sheet.serial }}</span> · {{ sheet.customer }} · taken in
        {{ day(sheet.openedAt) }}<template v-if="sheet.closedAt"> · closed {{ day(sheet.closedAt) }}</template>
      </p>
      <p>You said: “{{ sheet.words }}”</p>
    </header>
    <p class="text-lg font-bold">{{ sheet.ending }}</p>
    <div class="grid gap-x-6 gap-y-3 sm:grid-cols-2 print:grid-cols-2">
      <section>
        <h2 class="text-base">What was found</h2>
        <ul class="list-disc pl-5">
          <li v-for="f in sheet.found" :key="f">{{ f }}</li>
        </ul>
        <p v-if="sheet.notTheFault.length" class="mt-1 text-soft">
          Not the fault: {{ sheet.notTheFault.join(', ').toLowerCase() }}.
        </p>
      </section>
      <section>
        <h2 class="text-base">What was done</h2>
        <ul class="list-disc pl-5">
          <li v-for="d in sheet.done" :key="d">{{ d }}</li>
        </ul>
      </section>
      <section>
        <h2 class="text-base">Used</h2>
        <p v-if="sheet.used.length === 0">No parts, no ink.</p>
        <ul v-else class="list-disc pl-5">
          <li v-for="u in sheet.used" :key="u">{{ u }}</li>
        </ul>
      </section>
      <section>
        <h2 class="text-base">What it cost</h2>
        <table class="w-full">
          <tbody>
            <tr>
              <th scope="row" class="text-left font-normal">Bench time, {{ withUnit(sheet.minutes, 'min') }}</th>
              <td class="text-right font-mono">{{ money(sheet.labour, sheet.currency) }}</td>
            </tr>
            <tr>
              <th scope="row" class="text-left font-normal">Parts</th>
              <td class="text-right font-mono">{{ money(sheet.parts, sheet.currency) }}</td>
            </tr>
            <tr class="border-t border-ink font-bold">
              <th scope="row" class="text-left">Together</th>
              <td class="text-right font-mono">{{ money(sheet.total, sheet.currency) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section v-if="sheet.cameBack.length">
        <h2 class="text-base">Before and after</h2>
        <ul class="list-disc pl-5">
          <li v-for="c in sheet.cameBack" :key="c">{{ c }}.</li>
        </ul>
      </section>
      <section v-if="sheet.watch.length">
        <h2 class="text-base">What to watch</h2>
        <ul class="list-disc pl-5">
          <li v-for="w in sheet.watch" :key="w">{{ w }}</li>
        </ul>
      </section>
      <section v-if="sheet.cautions.length">
        <h2 class="text-base">Be careful</h2>
        <ul class="list-disc pl-5">
          <li v-for="c in sheet.cautions" :key="c">{{ c }}</li>
        </ul>
      </section>
    </div>
    <footer class="border-t border-line pt-2 text-sm text-soft">
      Waste ink and pads are handed in by local rules. Questions: bring this sheet; the record of the machine stays with
      us.
    </footer>
  </article>
</template>
