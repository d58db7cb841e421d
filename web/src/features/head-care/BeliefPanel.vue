<script setup lang="ts">
import { computed, ref } from 'vue'
import { percent } from '@/shared/format'
import type { HeadCare } from './useHeadCare'

const props = defineProps<{
  /** Head care of the job. */
  care: HeadCare
}>()
const open = computed(() => props.care.channels.filter((c) => c.missing > props.care.mostLeft))
const chosen = ref('')
const shown = computed(() => open.value.find((c) => c.unit === chosen.value) ?? open.value[0])
const rows = computed(() =>
  shown.value
    ? [
        { name: 'A clog that sits still', share: shown.value.clog },
        { name: 'Air: gaps that wander', share: shown.value.air },
        { name: 'Too little feed', share: shown.value.starved },
      ]
    : [],
)
const most = computed(() => Math.max(...(props.care.next?.back ?? [1])))
const likely = computed(() => {
  const n = props.care.next!
  return n.low === n.high ? `${n.best}` : `${n.best} (${n.low} to ${n.high})`
})
const total = computed(() => props.care.channels.reduce((sum, c) => sum + c.missing, 0))
</script>

<template>
  <section class="panel p-3" aria-labelledby="belief-title">
    <template v-if="shown">
      <h2 id="belief-title" class="text-base">
        What sits in {{ shown.ink.toLowerCase() }}, {{ shown.missing }} missing<template v-if="shown.pairs"
          >, after {{ shown.pairs }} {{ shown.pairs === 1 ? 'pair' : 'pairs' }} of sheets</template
        ><template v-else>, before any pair of sheets</template>
      </h2>
      <div v-if="open.length > 1" class="mt-1 flex flex-wrap gap-1.5" role="group" aria-label="Channel">
        <button
          v-for="c in open"
          :key="c.unit"
          type="button"
          class="press px-2.5"
          :class="c.unit === shown.unit ? 'press-main' : ''"
          :aria-pressed="c.unit === shown.unit"
          @click="chosen = c.unit"
        >
          <span class="font-mono">{{ c.unit }}</span> {{ c.missing }}
        </button>
      </div>
      <ul class="mt-1">
        <li
          v-for="r in rows"
          :key="r.name"
          class="grid grid-cols-[1fr_3.5rem_8rem] items-center gap-2 border-t border-line py-1.5"
        >
          <span>{{ r.name }}</span>
          <span class="text-right font-mono">{{ percent(r.share) }}</span>
          <span class="h-3 bg-ink" :style="{ width: `${Math.max(1, r.share * 100)}%` }" aria-hidden="true" />
        </li>
      </ul>
      <template v-if="care.next">
        <h3 class="mt-2 text-base">
          Back after {{ care.next.name.toLowerCase() }}: likely {{ likely }} of {{ total }}
        </h3>
        <div class="mt-1 flex h-20 items-end gap-px" aria-hidden="true">
          <span
            v-for="(chance, k) in care.next.back"
            :key="k"
            class="min-w-0 flex-1"
            :class="k === care.next.back.length - 1 ? 'bg-go' : 'bg-edge'"
            :style="{ height: `${Math.max(1, (chance / most) * 100)}%` }"
          />
        </div>
        <p class="flex justify-between font-mono text-sm" aria-hidden="true">
          <span>0</span><span>{{ total }}</span>
        </p>
      </template>
    </template>
    <template v-else>
      <h2 id="belief-title" class="text-base">What sits in the head</h2>
      <p class="mt-1 text-soft">
        {{ care.ready ? 'Every channel of the last sheet is complete.' : 'No sheet was taken on this visit.' }}
      </p>
    </template>
  </section>
</template>
