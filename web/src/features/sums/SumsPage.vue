<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { moment, wait } from '@/shared/format'
import LoadState from '@/shared/ui/LoadState.vue'
import SumFields from './SumFields.vue'
import { useSums } from './useSums'

const props = defineProps<{
  /** The sum; the first one when none is named. */
  name?: string
}>()
const shelf = useTemplateRef('shelf')
// The one that is shown stands in sight in the list, which scrolls by itself.
watch(
  () => props.name,
  () => void nextTick(() => shelf.value?.querySelector('[aria-current="page"]')?.scrollIntoView({ block: 'nearest' })),
)
const router = useRouter()
const choose = (name: string) => router.push(`/sums/${name}`)
const { list, sum, typed, answer } = useSums(() => props.name ?? '')
const fresh = computed(() => (answer.data.value?.sum === sum.value?.name ? answer.data.value : undefined))
const wrong = computed(() => Object.fromEntries((fresh.value?.problems ?? []).map((p) => [p.pointer, p.say])))
const figures = computed(() =>
  sum.value && fresh.value?.result
    ? sum.value.figures.map((f) => ({ ...f, says: said(fresh.value!.result![f.name], f.unit) }))
    : [],
)
function said(value: unknown, unit: string): string {
  if (value === null || value === undefined) return 'none'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number')
    return unit === 'min' && Math.abs(value) >= 120
      ? wait(value)
      : `${value.toLocaleString(undefined, { maximumFractionDigits: 3 })}${unit ? `\u2009${unit}` : ''}`
  if (typeof value === 'object')
    return Object.entries(value)
      .map(([name, one]) => `${name}: ${said(one, unit)}`)
      .join(' \u00b7 ')
  return /^\d{4}-\d\d-\d\dT/.test(String(value)) ? moment(String(value)) : String(value)
}
</script>

<template>
  <LoadState :pending="list.isPending.value" :error="list.error.value" what="the sums" @retry="list.refetch()">
    <article
      v-if="sum"
      class="grid grid-cols-[minmax(0,1fr)] items-start gap-3 md:grid-cols-[minmax(0,17rem)_minmax(0,1fr)]"
    >
      <nav
        ref="shelf"
        aria-label="Sums"
        class="md:sticky md:top-[5.25rem] md:max-h-[calc(100vh-6rem)] md:overflow-y-auto md:pr-1"
      >
        <h1 class="mb-2 text-2xl">Sums</h1>
        <label class="grid gap-1 md:hidden">
          Which one
          <select class="field" :value="sum.name" @change="choose(($event.target as HTMLSelectElement).value)">
            <option v-for="s in list.data.value" :key="s.name" :value="s.name">{{ s.title }}</option>
          </select>
        </label>
        <ul class="hidden gap-1.5 md:grid">
          <li v-for="s in list.data.value" :key="s.name">
            <RouterLink
              class="press w-full justify-start text-left"
              :class="s.name === sum.name ? 'press-main' : ''"
              :aria-current="s.name === sum.name ? 'page' : undefined"
              :to="`/sums/${s.name}`"
              >{{ s.title }}</RouterLink
            >
          </li>
        </ul>
      </nav>
      <section class="panel max-w-3xl p-3" aria-labelledby="sum-title" :data-sum="sum.name">
        <h2 id="sum-title" class="text-xl">{{ sum.title }}</h2>
        <p class="text-soft">{{ sum.asks }}</p>
        <SumFields v-model="typed" class="mt-3" :fields="sum.fields" path="" :wrong="wrong" />
        <div class="mt-3 border-2 border-ink p-3" role="status" data-testid="sum-result">
          <p v-if="answer.error.value" class="text-stop">
            It could not be worked out: {{ answer.error.value.message }}.
            <button type="button" class="press ml-2" @click="answer.refetch()">Again</button>
          </p>
          <p v-else-if="fresh?.status === 'refused'">
            Nothing is worked out yet:
            {{ fresh.problems!.length === 1 ? 'one field is' : `${fresh.problems!.length} fields are` }} not right.
          </p>
          <dl v-else class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-1">
            <template v-for="f in figures" :key="f.name">
              <dt>{{ f.label }}</dt>
              <dd class="text-right font-mono text-lg">{{ f.says }}</dd>
            </template>
          </dl>
        </div>
        <h3 class="mt-3 text-base">How it is got</h3>
        <ul class="text-soft">
          <li v-for="line in sum.formula" :key="line">{{ line }}</li>
        </ul>
      </section>
    </article>
  </LoadState>
</template>
