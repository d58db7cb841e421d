<script setup lang="ts">
import { computed, ref } from 'vue'
import { percent, withUnit } from '@/shared/format'
import type { Api } from '@/shared/api/client'
import type { Bench } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
  /** A write is on its way. */
  busy: boolean
  /** Whether this person may work at the bench. */
  mayBench: boolean
}>()
const emit = defineEmits<{ takeBack: [entry: number] }>()
type Fact = Api<'EvidenceView'>
const newest = 3
const all = ref(false)
const known = computed(() => [...props.job.evidence].reverse())
const facts = computed(() => (all.value ? known.value : known.value.slice(0, newest)))
const nameOf = (id: string) => props.job.stations.find((s) => s.id === id)?.name ?? id
const moved = (fact: Fact) =>
  fact.moves
    .slice(0, 3)
    .map((m) => `${nameOf(m.station)} ${percent(m.beforeRatio)} → ${percent(m.afterRatio)}`)
    .join(', ')
/** Bar from the middle, percent of half: the log odds on the leading station, full at ±3 (20 to 1). */
const bar = (fact: Fact) => Math.min(1, Math.abs(fact.weight) / 3) * 50
const lead = computed(() => props.job.stations.find((s) => s.leading)?.name)
</script>

<template>
  <section class="panel p-3" aria-labelledby="evidence-title">
    <div class="flex items-baseline justify-between gap-2">
      <h2 id="evidence-title" class="text-base">What we know</h2>
      <p v-if="lead" class="text-sm text-soft">clears | blames {{ lead.toLowerCase() }}</p>
    </div>
    <p v-if="facts.length === 0" class="mt-2 text-soft">
      Nothing told yet. The odds are those of the book for this machine.
    </p>
    <ul class="divide-y divide-line">
      <li
        v-for="(f, i) in facts"
        :key="i"
        class="grid grid-cols-[1fr_72px] items-center gap-x-2 py-0.5"
        :data-source="f.source"
      >
        <p>
          <strong>{{ f.says }}</strong>
          <span v-if="f.moves.length" class="block text-sm text-soft">{{ moved(f) }}</span>
          <span v-if="f.why && all" class="block text-sm text-soft">{{ f.why }}</span>
        </p>
        <div>
          <svg
            viewBox="0 0 100 16"
            class="block h-4 w-full"
            role="img"
            :aria-label="f.weight < 0 ? 'clears' : 'blames'"
          >
            <rect width="100" height="16" class="fill-rail" />
            <rect
              :x="f.weight < 0 ? 50 - bar(f) : 50"
              width="0"
              height="16"
              :class="f.weight < 0 ? 'fill-go' : 'fill-stop'"
              :style="{ width: `${bar(f)}px` }"
            />
            <path d="M50 0V16" class="stroke-ink" stroke-width="2.500" />
          </svg>
          <button
            v-if="f.entry !== null && mayBench && job.threadOpen"
            type="button"
            class="press press-plain w-full px-0 text-sm"
            :disabled="busy"
            @click="emit('takeBack', f.entry)"
          >
            take back<span class="sr-only"> {{ f.says }}</span>
          </button>
        </div>
      </li>
    </ul>
    <button
      v-if="known.length > newest"
      type="button"
      class="press press-plain px-0 text-sm"
      :aria-expanded="all"
      data-testid="earlier"
      @click="all = !all"
    >
      {{ all ? 'newest three only' : `${known.length - newest} earlier` }}
    </button>
    <p v-if="job.feed" class="mt-1 border-t border-line pt-2" data-testid="feed">
      <strong>Feed, estimated:</strong> {{ withUnit(job.feed.perPageMl, 'ml', 2) }} a page of
      {{ withUnit(job.feed.neededMl, 'ml', 2) }} needed ({{ percent(job.feed.ratio) }}). It serves a coverage of
      {{ withUnit(job.feed.servesCoveragePct, '%') }} without fading.
    </p>
    <p class="mt-1 text-sm text-soft">Not in the book: {{ percent(job.unknownRatio) }}.</p>
  </section>
</template>
