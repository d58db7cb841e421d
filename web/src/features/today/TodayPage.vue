<script setup lang="ts">
import { computed } from 'vue'
import { useNow } from '@/shared/state/useNow'
import { standingNow, useBoard } from '@/shared/state/useBoard'
import LoadState from '@/shared/ui/LoadState.vue'
import TodayRow from './TodayRow.vue'

const { data, isPending, error, refetch } = useBoard()
const now = useNow()
const groups = [
  { id: 'rings', name: 'A clock is up' },
  { id: 'hands', name: 'Needs hands' },
  { id: 'time', name: 'Time works' },
  { id: 'ready', name: 'Ready to hand over' },
  { id: 'customer', name: 'Waits for the customer' },
  { id: 'parts', name: 'Waits for parts' },
]
const dueTime = (iso: string | null) => (iso ? new Date(iso).getTime() : Infinity)
const shown = computed(() =>
  groups
    .map((g) => ({
      ...g,
      jobs: (data.value?.jobs ?? [])
        .filter((j) => standingNow(j, now.value) === g.id)
        .sort((a, b) => dueTime(a.promiseAt) - dueTime(b.promiseAt)),
    }))
    .filter((g) => g.jobs.length > 0),
)
const today = computed(() =>
  new Date(now.value).toLocaleDateString(undefined, { weekday: 'long', day: 'numeric', month: 'long' }),
)
</script>

<template>
  <header class="mb-3 flex flex-wrap items-baseline gap-x-3">
    <h1 class="text-2xl">Today at the bench</h1>
    <p class="text-soft">{{ today }} · {{ data?.jobs.length ?? 0 }} machines here</p>
  </header>
  <LoadState :pending="isPending" :error="error" what="the bench" @retry="refetch()">
    <section v-if="shown.length === 0" class="panel">
      <h2 class="text-xl">No machine is here</h2>
      <p>Take one in, and this page says which needs hands next.</p>
      <RouterLink to="/take-in" class="press press-main mt-3">Take a machine in</RouterLink>
    </section>
    <div class="space-y-3">
      <section v-for="g in shown" :key="g.id" class="panel py-2" :aria-labelledby="`group-${g.id}`" :data-group="g.id">
        <h2 :id="`group-${g.id}`" class="text-base" :class="g.id === 'rings' ? 'text-stop' : ''">{{ g.name }}</h2>
        <ul class="divide-y divide-line">
          <TodayRow v-for="j in g.jobs" :key="j.id" :job="j" :now="now" />
        </ul>
      </section>
    </div>
  </LoadState>
</template>
