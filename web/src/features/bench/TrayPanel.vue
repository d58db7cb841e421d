<script setup lang="ts">
import { computed, ref } from 'vue'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { Bench, JobDesk } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
  /** Its writes. */
  desk: Pick<JobDesk, 'putOnTray' | 'clearTray' | 'busy' | 'asking' | 'problem' | 'dismiss'>
  /** Whether this person may keep the tray. */
  mayBench: boolean
}>()
const busy = computed(() => props.desk.busy.value)
const clear = (items: string[]) => void props.desk.clearTray({ items })
/** So many fit beside the card; of more, what must not be forgotten comes first. */
const few = 4
const first = ['inside', 'wet', 'clamped', 'plugged', 'bridged', 'unplugged', 'open']
const all = ref(false)
const folded = computed(() => !all.value && props.job.tray.length > few)
const shown = computed(() =>
  folded.value
    ? [...props.job.tray]
        .filter((i) => first.includes(i.change))
        .sort((a, b) => first.indexOf(a.change) - first.indexOf(b.change))
        .slice(0, few)
    : props.job.tray,
)
const counts = computed(() => {
  const by = new Map<string, number>()
  for (const i of props.job.tray) by.set(i.change, (by.get(i.change) ?? 0) + i.count)
  return [...by].map(([change, n]) => `${n} ${change}`).join(', ')
})
const adding = ref(false)
const label = ref('')
const change = ref('off')
const count = ref(1)
const changes = [
  'off',
  'loose',
  'open',
  'aside',
  'unplugged',
  'plugged',
  'clamped',
  'taped',
  'inside',
  'bridged',
  'wet',
]

async function put() {
  if (!(await props.desk.putOnTray({ label: label.value, change: change.value, count: count.value }))) return
  adding.value = false
  label.value = ''
  count.value = 1
}
</script>

<template>
  <section class="panel p-3" aria-labelledby="tray-title" data-testid="tray">
    <h2 id="tray-title" class="text-base">Tray<span class="font-normal text-soft">: must be clear to close</span></h2>
    <p v-if="job.tray.length === 0" class="mt-1 text-go">✓ Clear: nothing is off, open or inside.</p>
    <p v-else-if="folded" class="text-sm text-soft">{{ counts }}</p>
    <ul class="divide-y divide-line">
      <li
        v-for="item in shown"
        :key="item.id"
        class="flex items-center gap-2 py-0.5"
        :title="item.undo"
        :data-tray="item.label"
      >
        <span v-if="item.count > 1" class="font-mono font-bold">{{ item.count }}</span>
        <span class="min-w-0 flex-1" :class="item.change === 'inside' ? 'font-bold text-stop' : ''">
          {{ item.label }} <strong class="text-stop">{{ item.change }}</strong>
          <span v-if="item.undo && (all || job.closedHow)" class="block text-sm text-soft">{{ item.undo }}</span>
        </span>
        <button v-if="mayBench" type="button" class="press shrink-0 px-2" :disabled="busy" @click="clear([item.id])">
          back<span class="sr-only">: {{ item.label }}</span>
        </button>
      </li>
    </ul>
    <button
      v-if="job.tray.length > few"
      type="button"
      class="press press-plain px-0 text-sm"
      :aria-expanded="all"
      @click="all = !all"
    >
      {{ all ? 'fewer' : `all ${job.tray.length}` }}
    </button>
    <div v-if="mayBench" class="mt-1 flex flex-wrap gap-1.5">
      <button
        v-if="job.tray.length > 1"
        type="button"
        class="press"
        :disabled="busy"
        @click="clear(job.tray.map((i) => i.id))"
      >
        All back
      </button>
      <button v-if="!job.closedHow" type="button" class="press" aria-label="Add to the tray" @click="adding = true">
        Add
      </button>
    </div>
    <AppDialog :open="adding" title="On the tray" @close="adding = false">
      <form class="space-y-3" @submit.prevent="put">
        <label class="block">
          <span class="font-bold">What</span>
          <input v-model="label" class="field" required maxlength="120" placeholder="cover screws, long" />
        </label>
        <div class="flex gap-3">
          <label class="block flex-1">
            <span class="font-bold">It is now</span>
            <select v-model="change" class="field">
              <option v-for="c in changes" :key="c">{{ c }}</option>
            </select>
          </label>
          <label class="block w-24">
            <span class="font-bold">How many</span>
            <input v-model.number="count" type="number" min="1" max="200" class="field font-mono" />
          </label>
        </div>
        <ProblemNote :problem="desk.problem.value" :asking="desk.asking.value" @dismiss="desk.dismiss" />
        <button type="submit" class="press press-main">Put on the tray</button>
      </form>
    </AppDialog>
  </section>
</template>
