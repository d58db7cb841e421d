<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useIntervalFn } from '@vueuse/core'
import { computed } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { moment } from '@/shared/format'

const props = defineProps<{
  /** Shown only when something is wrong. */
  onlyWrong?: boolean
}>()
const everyMs = 10 * 60_000
const query = useQuery({ queryKey: ['backups'], queryFn: () => dataOf(api.GET('/api/backups')) })
useIntervalFn(() => query.refetch(), everyMs)
const stand = computed(() => query.data.value)
const failed = computed(() => (stand.value?.tried?.said ? stand.value.tried : null))
const size = (bytes: number) => `${(bytes / 1_000_000).toFixed(bytes < 10_000_000 ? 1 : 0)} MB`
const shown = computed(() => stand.value && (!props.onlyWrong || stand.value.isLate || failed.value !== null))
</script>

<template>
  <section
    v-if="shown && stand"
    class="panel"
    :class="stand.isLate ? 'border-2 border-stop' : ''"
    :role="stand.isLate ? 'alert' : undefined"
    aria-labelledby="backups-title"
    data-testid="backups"
  >
    <h2 id="backups-title" class="mb-1 text-xl">Backups</h2>
    <p v-if="!stand.isSet">
      No backup is made by night here. Start with <code>--nightly 02:30</code>, or back up by hand.
    </p>
    <template v-else>
      <p v-if="stand.proved" :class="stand.isLate ? 'text-stop' : ''">
        <b>{{ stand.isLate ? 'Too old: the' : 'The' }} last one that was proved is of {{ moment(stand.proved.at) }}</b
        >, {{ size(stand.proved.bytes) }}: it was restored beside, and was what was counted.
      </p>
      <p v-else :class="stand.isLate ? 'font-bold text-stop' : ''">No backup has been proved here yet.</p>
      <p v-if="failed" class="text-stop">The try of {{ moment(failed.at) }} failed: {{ failed.said }}</p>
      <p class="text-sm break-all text-soft">{{ stand.count }} kept in {{ stand.folder }}</p>
    </template>
  </section>
</template>
