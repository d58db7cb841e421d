<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Api } from '@/shared/api/client'

const props = defineProps<{
  /** The machine's slots. */
  slots: Api<'SlotView'>[]
  /** The slot that was told, by the panel's number; 0 for none. */
  told: number
}>()
const fromBack = ref(false)
const placeOf = (slot: Api<'SlotView'>) => (fromBack.value ? slot.fromBack : slot.fromFront)
const bays = computed(() => {
  const names = [...new Set(props.slots.map((s) => s.bay))]
  return names.map((name) => ({
    name,
    slots: props.slots.filter((s) => s.bay === name).sort((a, b) => placeOf(a) - placeOf(b)),
  }))
})
</script>

<template>
  <figure class="mt-2 rounded border border-line p-2" data-testid="slot-map">
    <figcaption class="flex flex-wrap items-center justify-between gap-2 text-sm">
      <span>
        Slots from left to right, as you stand at the <strong>{{ fromBack ? 'back' : 'front' }}</strong>. The number is
        the panel’s.
      </span>
      <button type="button" class="press px-3 text-sm" :aria-pressed="fromBack" @click="fromBack = !fromBack">
        I stand at the {{ fromBack ? 'front' : 'back' }}
      </button>
    </figcaption>
    <div v-for="b in bays" :key="b.name" class="mt-1">
      <p v-if="b.name" class="text-sm text-soft">{{ b.name }}</p>
      <ol class="flex gap-1">
        <li
          v-for="s in b.slots"
          :key="s.panel"
          class="min-w-0 flex-1 rounded border px-0.5 py-1 text-center leading-tight"
          :class="s.panel === told ? 'border-2 border-ink font-bold' : 'border-line'"
          :aria-current="s.panel === told || undefined"
        >
          <span class="block h-2 rounded-sm border border-edge" :style="{ background: s.colour }" />
          <span class="font-mono">{{ s.panel }}</span>
          <span class="block truncate text-xs" :title="s.ink">{{ s.ink }}</span>
          <span v-if="s.panel === told" class="block text-xs">told</span>
        </li>
      </ol>
    </div>
  </figure>
</template>
