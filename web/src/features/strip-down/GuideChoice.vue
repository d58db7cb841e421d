<script setup lang="ts">
import { ref } from 'vue'
import { withUnit } from '@/shared/format'
import type { Opening } from './useOpening'

const props = defineProps<{
  /** Guides that apply to the machine. */
  guides: Opening['guides']
  /** Slots that a guide can be about. */
  slots: Opening['slots']
  /** The slot of the thread; 0 for none. */
  firstSlot: number
  /** The machine's model. */
  model: string
  /** Whether it is open as far as it was to be. */
  opened: boolean
  /** A write is on its way. */
  busy: boolean
  /** Whether this person may work at the bench. */
  may: boolean
}>()
const emit = defineEmits<{ follow: [guide: string, slot: number] }>()
const about = ref(props.firstSlot || 1)
</script>

<template>
  <section class="panel" aria-labelledby="guides-title">
    <h2 id="guides-title" class="text-base">
      {{ opened ? 'It is open as far as it was to be' : 'Follow a guide' }}
    </h2>
    <p v-if="opened" class="mb-2 text-soft">Do the work, then take the way back; or follow a guide from here.</p>
    <ul class="divide-y divide-line">
      <li v-for="g in guides" :key="g.id" class="flex flex-wrap items-center gap-x-3 py-1">
        <span class="min-w-0 flex-1 basis-64"
          ><strong>{{ g.name }}</strong> <span v-if="g.fits" class="chip border-go">for the next step</span
          ><span class="block text-sm text-soft"
            >{{ g.purpose }} {{ withUnit(g.minutes, 'min') }} beside the opening.</span
          ><span v-for="w in g.tooLongFor" :key="w" class="block text-sm text-stop"
            >Hands need longer than there is before {{ w }}.</span
          ></span
        >
        <RouterLink class="press press-plain px-2" :to="`/guides/steps/${g.id}?model=${model}`"
          >Read<span class="sr-only"> {{ g.name }}</span></RouterLink
        >
        <label v-if="may && g.asksSlot" class="flex items-center gap-1 text-sm"
          >on
          <select v-model="about" class="field w-auto">
            <option v-for="s in slots" :key="s.panel" :value="s.panel">{{ s.panel }} {{ s.ink.toLowerCase() }}</option>
          </select></label
        >
        <button
          v-if="may"
          type="button"
          class="press"
          :disabled="busy"
          :data-guide="g.id"
          @click="emit('follow', g.id, g.asksSlot ? about : 0)"
        >
          Follow<span class="sr-only"> {{ g.name }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
