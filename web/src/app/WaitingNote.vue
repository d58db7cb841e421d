<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { useIntervalFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { loadAnew } from '@/shared/state/loadAnew'
import { useBoard } from '@/shared/state/useBoard'
import { useSession } from '@/shared/state/useSession'
import { away } from '@/shared/write/inFlight'
import type { KeptWrite } from '@/shared/write/keptWrites'
import { useOutbox } from '@/shared/write/outbox'

const outbox = useOutbox()
const session = useSession()
const queries = useQueryClient()
const open = ref(false)
const againMs = 5000
const { data: board } = useBoard()
const tagOf = (job: number) => board.value?.jobs.find((j) => j.id === job)?.tag ?? `job ${job}`
const says = computed(() => {
  const n = outbox.mine.length
  const waits = n === 1 ? 'One press waits' : `${n} presses wait`
  return away.value ? `${waits} in this browser for the server` : outbox.sending ? `${waits}, being sent` : waits
})

const send = () => (outbox.mine.length > 0 ? outbox.flush() : undefined)
async function allTheSame(write: KeptWrite) {
  const now = await dataOf(api.GET('/api/board'))
  const seen = now.jobs.find((j) => j.id === write.job)?.version
  if (seen !== undefined) await outbox.sendAllTheSame(write, seen)
}
async function leaveOut(write: KeptWrite) {
  await outbox.leaveOut(write)
  await loadAnew(queries)
}
onMounted(async () => {
  await outbox.load()
  await send()
})
watch([away, () => session.person?.id], send)
watch(
  () => outbox.sent,
  () => void loadAnew(queries),
)
// Tried also while the line for news is lost: that line may be all that is.
useIntervalFn(() => void send(), againMs)
</script>

<template>
  <section
    v-if="outbox.mine.length"
    class="no-print mb-3 rounded border border-wait bg-wait-tint p-2 text-ink"
    aria-label="Waiting for the server"
    data-testid="waiting"
  >
    <div class="flex flex-wrap items-center justify-between gap-2">
      <p role="status">{{ says }}. Each is sent once, in order.</p>
      <button type="button" class="press" :aria-expanded="open" @click="open = !open">
        {{ open ? 'Fold' : 'Show them' }}
      </button>
    </div>
    <ol v-if="open" class="mt-2 list-decimal pl-6">
      <li v-for="w in outbox.mine" :key="w.n">{{ tagOf(w.job) }}, {{ w.says }}</li>
    </ol>
    <div
      v-for="w in outbox.questions"
      :key="`q${w.n}`"
      class="mt-2 rounded border-l-4 border-stop bg-stop-tint p-2"
      role="alert"
    >
      <p class="font-bold">{{ w.question?.title }}</p>
      <p>
        <b>You pressed, on {{ tagOf(w.job) }}:</b> {{ w.says }}
      </p>
      <template v-if="w.question?.changes.length">
        <p><b>Meanwhile:</b></p>
        <ul class="list-disc pl-5">
          <li v-for="(c, i) in w.question.changes" :key="i">{{ c }}</li>
        </ul>
      </template>
      <p v-else>{{ w.question?.detail }}</p>
      <p class="mt-1 flex flex-wrap gap-2">
        <button type="button" class="press press-main" @click="allTheSame(w)">Write it all the same</button>
        <button type="button" class="press" @click="leaveOut(w)">Leave it out</button>
      </p>
    </div>
  </section>
</template>
