<script setup lang="ts">
import { computed } from 'vue'
import { money, percent, withUnit } from '@/shared/format'
import type { Step } from './useJob'

const props = defineProps<{
  /** What the card is about, such as "Do next". */
  heading: string
  /** The step; null when there is none. */
  step: Step | null
  /** Currency of the shop. */
  currency: string
}>()
const facts = computed(() => {
  const s = props.step
  if (!s) return []
  return [
    withUnit(s.minutes, 'min'),
    s.parts > 0 ? `${s.part || 'parts'} ${money(s.parts, props.currency)}` : 'no parts',
    s.inkMl > 0 ? `${withUnit(s.inkMl, 'ml', 1)} ink` : '',
    s.counterPct > 0 ? `counter +${withUnit(s.counterPct, '%', 1)}` : '',
    s.fixRatio !== null && s.fixRatio > 0 ? `${percent(s.fixRatio)} to mend it` : '',
    ...s.opens,
  ].filter(Boolean)
})
</script>

<template>
  <p class="text-sm text-soft">
    <strong class="text-ink">{{ heading }}</strong>
    <template v-for="f in facts" :key="f"> · {{ f }}</template>
  </p>
</template>
