<script setup lang="ts">
import { computed, ref } from 'vue'
import FastenerRow from './FastenerRow.vue'
import type { Fasteners, OpeningDesk } from './useOpening'

const props = defineProps<{
  /** The group. */
  group: Fasteners
  /** The writes. */
  desk: OpeningDesk
}>()
const emit = defineEmits<{ done: [] }>()
const count = ref(1)
const reason = ref('')
const removal = computed(() => props.group.removal)
const inMachine = computed(() => props.group.inCount)
const onTray = computed(() => props.group.onTrayCount)
const rule = computed(() => {
  if (props.group.collared) return 'A shouldered one must never be missing.'
  const may = props.group.mayStayEmpty
  return may > 0
    ? `${may} of its holes may stay empty; it goes on record.`
    : 'None of these may be missing: replace a lost one.'
})
const after = (done: boolean) => done && emit('done')
</script>

<template>
  <section aria-label="Count" class="border-t border-line pt-3">
    <FastenerRow :group="group" />
    <p class="mt-1 font-mono">
      {{ inMachine }} in the machine · {{ onTray }} on the tray · {{ group.lostCount }} lost<template
        v-if="group.emptyCount"
      >
        · {{ group.emptyCount }} holes empty</template
      >
    </p>
    <p class="mt-1 border-l-4 border-stop bg-stop-tint px-3 py-1.5">{{ rule }}</p>
    <div class="mt-3 flex flex-wrap gap-3">
      <label
        >How many <input v-model.number="count" type="number" min="1" :max="group.count" class="field w-24 font-mono"
      /></label>
      <label class="min-w-48 flex-1"
        >What is known of it <input v-model="reason" class="field" maxlength="2000"
      /></label>
    </div>
    <div class="mt-3 flex flex-wrap gap-2">
      <button v-if="inMachine > 0" type="button" class="press" @click="desk.off({ removal, count }).then(after)">
        {{ count }} came out
      </button>
      <button
        v-if="inMachine > 0"
        type="button"
        class="press"
        @click="desk.lost({ removal, count, before: true, reason }).then(after)"
      >
        {{ count }} missing already
      </button>
      <button
        v-if="onTray > 0"
        type="button"
        class="press"
        @click="desk.lost({ removal, count, before: false, reason }).then(after)"
      >
        {{ count }} lost
      </button>
      <button
        v-if="group.lostCount > 0"
        type="button"
        class="press"
        @click="desk.replaced({ removal, count, from: reason }).then(after)"
      >
        {{ count }} replaced from stock
      </button>
    </div>
  </section>
</template>
