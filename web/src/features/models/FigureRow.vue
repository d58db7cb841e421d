<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Api } from '@/shared/api/client'
import { typedNumber } from '@/shared/format'
import type { ModelDesk } from './useModels'

const props = defineProps<{
  /** The figure. */
  figure: Api<'ModelFigureView'>
  /** The model. */
  model: string
  /** Who can be written to. */
  desk: ModelDesk
  /** Whether this person may teach it. */
  mayTeach: boolean
}>()
const open = ref(false)
const typed = ref('')
const sure = ref(false)
const isMoney = computed(() => props.figure.unit === 'money')
const short = (n: number) => Number(n.toPrecision(3)).toString()
const says = computed(() => {
  const f = props.figure
  if (f.value <= 0) return 'not known'
  const band = f.low == null || f.high == null ? '' : `, ${short(f.low)} to ${short(f.high)}`
  return `${short(f.value)}${isMoney.value ? '' : ` ${f.unit}`}${band}`
})
const from = computed(() => {
  const f = props.figure
  if (f.isDefault) return 'family default'
  if (f.seen) return f.seen === 1 ? 'measured once' : `measured ${f.seen} times`
  return f.value > 0 ? 'told' : ''
})
const farOff = computed(() => open.value && props.desk.problem.value?.code === 'own-far-off')
async function send(measured: boolean) {
  const value = typedNumber(typed.value)
  const body = {
    model: props.model,
    pointer: props.figure.pointer,
    value: Number.isNaN(value) ? null : value,
    measured,
    isSure: sure.value,
  }
  if (!(await props.desk.figure(body))) return
  open.value = false
  typed.value = ''
  sure.value = false
}
</script>

<template>
  <li :id="figure.pointer" class="py-1.5" :data-figure="figure.pointer">
    <div class="flex flex-wrap items-center gap-x-3">
      <span class="min-w-0 flex-1 basis-40">{{ figure.name }}</span>
      <span class="font-mono">{{ says }}</span>
      <span class="text-sm" :class="figure.isDefault ? 'rounded bg-wait-tint px-1.5 font-bold' : 'text-soft'">{{
        from
      }}</span>
      <button
        v-if="mayTeach"
        type="button"
        class="press"
        :aria-expanded="open"
        :disabled="desk.busy.value"
        @click="open = !open"
      >
        Tell<span class="sr-only"> {{ figure.name }}</span>
      </button>
    </div>
    <form
      v-if="open"
      class="mt-1 flex flex-wrap items-end gap-2 border-l-4 border-line pl-3"
      @submit.prevent="send(true)"
    >
      <label class="block">
        <span class="block font-bold">{{ figure.name }}{{ isMoney ? '' : `, ${figure.unit}` }}</span>
        <input v-model="typed" class="field w-40" inputmode="decimal" autocomplete="off" />
      </label>
      <button type="submit" class="press press-main" :disabled="desk.busy.value">Measured here</button>
      <button type="button" class="press" :disabled="desk.busy.value" @click="send(false)">
        Known, take it as it is
      </button>
      <label v-if="farOff" class="flex min-h-11 items-center gap-2">
        <input v-model="sure" type="checkbox" class="size-6" /> It is so: I measured again
      </label>
    </form>
  </li>
</template>
