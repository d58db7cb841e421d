<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Act } from './useOpening'

const props = defineProps<{
  /** What the hand does, in order. */
  acts: Act[]
  /** The one on the card. */
  shown: string
}>()
const emit = defineEmits<{ show: [key: string] }>()
const FOLD_FROM = 4
const unfolded = ref(false)
/** Steps done long ago are folded away, so that the one to do is in sight. */
const folded = computed(() => {
  const done = props.acts.findIndex((a) => !a.done)
  const before = done < 0 ? props.acts.length : done
  return unfolded.value || before < FOLD_FROM ? 0 : before - 2
})
const sections = computed(() => {
  const all: { name: string; acts: Act[] }[] = []
  for (const act of props.acts.slice(folded.value)) {
    const last = all.at(-1)
    if (last && last.name === act.section) last.acts.push(act)
    else all.push({ name: act.section, acts: [act] })
  }
  return all
})
</script>

<template>
  <section class="panel p-2" aria-label="Steps, in order" data-testid="way">
    <button v-if="folded" type="button" class="press press-plain w-full justify-start" @click="unfolded = true">
      ✓ {{ folded }} done before, show them
    </button>
    <template v-for="(s, i) in sections" :key="i">
      <h2 v-if="s.name" class="px-2 pt-1 text-base text-soft">{{ s.name }}</h2>
      <ol class="divide-y divide-line">
        <li v-for="a in s.acts" :key="a.key">
          <button
            type="button"
            class="grid min-h-11 w-full grid-cols-[2.7rem_minmax(0,1fr)_1.3rem] items-start gap-x-1 rounded px-2 py-1.5 text-left"
            :class="a.key === shown ? 'outline-2 -outline-offset-1 outline-ink' : ''"
            :aria-current="a.key === shown ? 'step' : undefined"
            :data-act="a.key"
            :data-done="a.done || undefined"
            @click="emit('show', a.key)"
          >
            <span class="font-mono text-sm leading-6 text-soft">{{ a.number }}</span>
            <span :class="a.done ? 'text-soft' : ''">
              {{ a.title }}
              <span v-if="a.differs" class="chip text-sm" title="differs between models">differs</span>
              <span v-if="!a.done && a.detail && a.detail !== a.text" class="block text-sm text-soft">{{
                a.detail
              }}</span>
              <span v-if="a.done && a.who" class="text-sm text-soft">
                · {{ a.outcome === 'skipped' ? 'skipped, ' : '' }}{{ a.who
                }}{{ a.value !== null ? ` · ${a.value} ${a.measure?.unit ?? ''}` : '' }}</span
              >
            </span>
            <span class="text-go"
              >{{ a.done ? (a.outcome === 'skipped' ? '–' : '✓') : ''
              }}<span v-if="a.done" class="sr-only"> done</span></span
            >
          </button>
        </li>
      </ol>
    </template>
    <p v-if="acts.length === 0" class="p-2 text-soft">Choose what to reach, or follow a guide.</p>
  </section>
</template>
