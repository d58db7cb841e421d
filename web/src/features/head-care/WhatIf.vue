<script setup lang="ts">
import { computed, ref } from 'vue'
import { percent, withUnit } from '@/shared/format'
import type { HeadCare } from './useHeadCare'

const props = defineProps<{
  /** Head care of the job. */
  care: HeadCare
}>()
const methods = computed(() => [...new Map(props.care.whatIf.map((w) => [w.method, w.name])).entries()])
const method = ref('clean-deep')
const times = ref(2)
const shown = computed(
  () =>
    props.care.whatIf.find((w) => w.method === method.value && w.times === times.value) ??
    props.care.whatIf.find((w) => w.times === times.value),
)
const short = (id: string) => id.replace('clean-', '')
</script>

<template>
  <section v-if="shown" class="panel p-3" aria-labelledby="what-if-title">
    <h2 id="what-if-title" class="text-base">What if I just do</h2>
    <div class="mt-1.5 flex flex-wrap gap-1.5" role="group" aria-label="What">
      <button
        v-for="[id, name] in methods"
        :key="id"
        type="button"
        class="press px-3"
        :class="id === shown.method ? 'press-main' : ''"
        :aria-pressed="id === shown.method"
        :aria-label="name"
        @click="method = id"
      >
        {{ short(id) }}
      </button>
    </div>
    <div class="mt-1.5 flex gap-1.5" role="group" aria-label="How often">
      <button
        v-for="n in 3"
        :key="n"
        type="button"
        class="press min-w-11 px-3"
        :class="n === times ? 'press-main' : ''"
        :aria-pressed="n === times"
        @click="times = n"
      >
        {{ n }}
      </button>
    </div>
    <p class="mt-2" aria-live="polite">
      <b>{{ percent(shown.complete) }} complete</b>, {{ shown.missing }} left most likely.
      <span class="font-mono">{{ withUnit(shown.inkMl, 'ml', 1) }}</span><template v-if="care.counterPct !== null">
        · counter
        <span class="font-mono"
          >{{ Math.round(care.counterPct) }} → {{ withUnit(care.counterPct + shown.counterPct, '%', 1) }}</span
        ></template
      ><template v-else>
        · <span class="font-mono">{{ withUnit(shown.counterPct, '%', 1) }}</span> of the counter</template
      >
    </p>
    <p
      v-if="care.counterPct !== null && care.counterPct + shown.counterPct > 100"
      class="mt-1 border-l-4 border-stop bg-stop-tint px-3 py-1.5"
    >
      That passes the counter’s limit: waste first.
    </p>
    <p v-if="care.stopLine" class="mt-2 border-l-4 border-wait bg-wait-tint px-3 py-1.5">
      <b>Stop line:</b> {{ care.stopLine }}
    </p>
  </section>
</template>
