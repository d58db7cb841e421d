<script setup lang="ts">
import { computed, ref } from 'vue'
import { useCrafts } from '@/shared/crafts/craft'
import KeyCap from '@/shared/ui/KeyCap.vue'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { Bench, JobDesk } from './useJob'

const props = defineProps<{
  /** The job. */
  job: Bench
  /** Its writes. */
  desk: JobDesk
  /** Whether this person may work at the bench. */
  mayBench: boolean
  /** Free places on the bench. */
  freePlaces: number[]
}>()
const emit = defineEmits<{ close: [] }>()
const open = ref<'' | 'note' | 'wait'>('')
const text = ref('')
const waitsFor = ref('customer')
const crafts = useCrafts()
const links = computed(() =>
  crafts
    .flatMap((craft) => craft.benchLinks)
    .map((link) => ({
      ...link,
      to: {
        path: `/bench/${props.job.id}/${link.page}`,
        query: props.job.thread ? { thread: String(props.job.thread) } : {},
      },
    })),
)

async function save() {
  const done =
    open.value === 'note'
      ? await props.desk.note({ text: text.value })
      : await props.desk.wait({ for: waitsFor.value, what: text.value, until: null })
  if (!done) return
  open.value = ''
  text.value = ''
}
</script>

<template>
  <section class="flex flex-wrap gap-1.5" aria-label="More for this job">
    <button type="button" class="press" @click="open = 'note'"><KeyCap of="N" /> Note</button>
    <template v-if="!job.closedHow">
      <button
        v-if="job.waitsFor"
        type="button"
        class="press"
        @click="desk.wait({ for: 'hands', what: '', until: null })"
      >
        {{ job.waitsFor === 'parts' ? 'Parts are here' : 'The customer answered' }}
      </button>
      <button v-else type="button" class="press" @click="open = 'wait'">Waits for …</button>
      <button v-if="mayBench && job.threadOpen" type="button" class="press" @click="emit('close')">
        Close the job
      </button>
    </template>
    <RouterLink v-for="link in links" :key="link.page" class="press" :to="link.to"
      ><KeyCap :of="link.key" :does="link.does" /> {{ link.label }}</RouterLink
    >
    <RouterLink class="press" :to="`/bench/${job.id}/hand-over`">Hand-over sheet</RouterLink>
    <RouterLink class="press" :to="`/bench/${job.id}/tag`">Tag</RouterLink>
    <button v-if="job.place > 0 && !job.handedOver" type="button" class="press" @click="desk.place({ place: 0 })">
      Off the bench
    </button>
    <button
      v-else-if="freePlaces.length && !job.handedOver"
      type="button"
      class="press"
      @click="desk.place({ place: freePlaces[0]! })"
    >
      On bench place {{ freePlaces[0] }}
    </button>
    <AppDialog :open="open !== ''" :title="open === 'note' ? 'Note' : 'What does it wait for?'" @close="open = ''">
      <form class="space-y-3" @submit.prevent="save">
        <fieldset v-if="open === 'wait'" class="flex gap-4">
          <legend class="sr-only">Waits for</legend>
          <label class="flex min-h-11 items-center gap-2"
            ><input v-model="waitsFor" type="radio" value="customer" /> the customer</label
          >
          <label class="flex min-h-11 items-center gap-2"
            ><input v-model="waitsFor" type="radio" value="parts" /> parts</label
          >
        </fieldset>
        <label class="block">
          <span class="font-bold">{{ open === 'note' ? 'What to remember' : 'What exactly' }}</span>
          <textarea v-if="open === 'note'" v-model="text" class="field" rows="4" required></textarea>
          <input v-else v-model="text" class="field" required />
        </label>
        <ProblemNote :problem="desk.problem.value" :asking="desk.asking.value" @dismiss="desk.dismiss" />
        <button type="submit" class="press press-main">Write it down</button>
      </form>
    </AppDialog>
  </section>
</template>
