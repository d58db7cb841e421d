<script setup lang="ts">
import { computed } from 'vue'
import { withUnit } from '@/shared/format'
import KeyCap from '@/shared/ui/KeyCap.vue'
import type { Opening } from './useOpening'

const props = defineProps<{
  /** How far the machine is open. */
  opening: Opening
}>()
const names = computed(() =>
  props.opening.targets.map((t) => props.opening.parts.find((p) => p.id === t)?.name.toLowerCase() ?? t),
)
</script>

<template>
  <RouterLink class="press no-print" :to="`/bench/${opening.id}`"><KeyCap of="B" /> {{ opening.tag }}</RouterLink>
  <h1 class="text-2xl">Opening up</h1>
  <p class="min-w-0 flex-1 basis-60 text-soft">
    {{ opening.machine
    }}<template v-if="names.length">
      · to reach: <strong class="text-ink">{{ names.join(' and ') }}</strong></template
    >
  </p>
  <ul v-if="opening.targets.length" class="flex flex-wrap gap-1.5">
    <li class="chip">{{ opening.partsOnWay }} of {{ opening.parts.length }} parts</li>
    <li class="chip">{{ withUnit(opening.outMin, 'min') }} out, {{ Math.round(opening.backMin) }} back</li>
    <li class="chip">
      {{ opening.tools.length }} {{ opening.tools.length === 1 ? 'tool' : 'tools' }}:
      {{ opening.tools.join(', ') || 'fingers' }}
    </li>
    <li v-if="opening.needs.length" class="chip">lay out: {{ opening.needs.join(', ') }}</li>
  </ul>
  <p v-if="opening.spends.length" class="w-full border-l-4 border-wait bg-wait-tint px-3 py-2">
    On this way it breaks a warranty seal: {{ opening.spends.join(', ') }}. The customer’s word comes first, or hand the
    machine back.
  </p>
</template>
