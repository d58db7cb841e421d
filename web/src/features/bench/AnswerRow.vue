<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import { percent, typedNumber } from '@/shared/format'
import type { Api } from '@/shared/api/client'
import KeyCap from '@/shared/ui/KeyCap.vue'

const props = defineProps<{
  /** The answer. */
  outcome: Api<'OutcomeView'>
  /** Its digit, from 1. */
  digit: number
  /** Cannot be given now. */
  disabled: boolean
  /** Whether the card has stood long enough to be answered. */
  settled: boolean
}>()
/** The number that goes with it, in the outcome's unit; null when not measured. */
const quantity = defineModel<number | null>({ default: null })
/** Coverage of the page it was seen on, percent; null when not told. */
const coverage = defineModel<number | null>('coverage', { default: null })
const emit = defineEmits<{ press: [pressed: Element] }>()
const typed = ref('')
watch(typed, (text) => (quantity.value = typedNumber(text)))
watch(quantity, (value) => {
  if (value === null || value === undefined) typed.value = ''
})
const cover = ref('')
watch(cover, (text) => (coverage.value = typedNumber(text)))
watch(coverage, (value) => {
  if (value === null || value === undefined) cover.value = ''
})
const field = useTemplateRef('field')
const row = useTemplateRef('row')
const missing = ref(false)
watch([typed, () => props.settled], () => (missing.value = false))
/** An answer that says nothing without its number asks for it where it is typed. */
function press() {
  missing.value = props.outcome.quantityNeeded && typeof quantity.value !== 'number'
  if (missing.value) field.value?.focus()
  else if (row.value) emit('press', row.value)
}
const wrong = computed(() => Number.isNaN(quantity.value) || Number.isNaN(coverage.value))
</script>

<template>
  <li
    ref="row"
    class="flex flex-wrap items-stretch rounded border border-edge sm:flex-nowrap"
    :class="disabled ? 'border-line text-soft' : ''"
  >
    <button
      type="button"
      class="flex min-h-12 min-w-0 flex-1 basis-full sm:basis-0 items-center gap-3 rounded px-3 py-1 text-left hover:enabled:bg-paper"
      :disabled="disabled || wrong"
      :aria-disabled="!settled"
      :data-outcome="outcome.id"
      @click="press"
    >
      <KeyCap :of="`${digit}`" />
      <span class="min-w-0">
        <span class="block font-bold" data-says="answer">{{ outcome.label }}</span>
        <span v-if="missing" role="alert" class="block text-sm font-bold text-stop">Type the number it was.</span>
        <span v-else-if="outcome.leaves" class="block text-sm text-soft">
          {{ percent(outcome.chanceRatio) }} likely; leaves {{ outcome.leaves }}
        </span>
      </span>
    </button>
    <label v-if="outcome.quantityUnit" class="flex shrink-0 items-center gap-1 pr-3 pb-1 pl-3 text-sm sm:pb-0 sm:pl-0">
      <span class="sr-only">{{ outcome.quantityLabel }}</span>
      <span aria-hidden="true">at</span>
      <input
        ref="field"
        v-model="typed"
        inputmode="decimal"
        class="min-h-11 w-16 border-b-2 bg-transparent text-center font-mono text-lg"
        :class="wrong || missing ? 'border-stop' : 'border-ink'"
        :disabled="disabled"
        :aria-invalid="wrong || missing"
        @keydown.enter.prevent="press"
      />
      <span class="font-mono">{{ outcome.quantityUnit }}</span>
    </label>
    <label v-if="outcome.withCoverage" class="flex shrink-0 items-center gap-1 pr-3 pb-1 pl-3 text-sm sm:pb-0 sm:pl-0">
      <span class="sr-only">Coverage of the page in that ink</span>
      <span aria-hidden="true">covered</span>
      <input
        v-model="cover"
        inputmode="decimal"
        class="min-h-11 w-12 border-b-2 border-ink bg-transparent text-center font-mono text-lg"
        :disabled="disabled"
        @keydown.enter.prevent="press"
      />
      <span class="font-mono">%</span>
    </label>
  </li>
</template>
