<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf } from '@/shared/api/client'

const props = defineProps<{
  /** Number of the job. */
  job: number
  /** The slot it is meant for; 0 for any. */
  of: number
  /** Its lot, as typed. Default: none. */
  lot?: string
}>()
const typed = ref('')
const number = computed(() => typed.value.trim())
const query = useQuery({
  queryKey: computed(() => ['job', props.job, 'ink', 'number', number.value, props.of, props.lot ?? '']),
  enabled: computed(() => number.value.length >= 3),
  queryFn: () =>
    dataOf(
      api.GET('/api/jobs/{id}/ink/number', {
        params: { path: { id: props.job }, query: { number: number.value, slot: props.of, lot: props.lot ?? '' } },
      }),
    ),
})
defineExpose({ number })
</script>

<template>
  <div data-testid="number-look">
    <label>
      Number on a cartridge
      <input v-model="typed" class="field font-mono" maxlength="120" autocomplete="off" placeholder="scan or type" />
    </label>
    <p
      v-if="query.data.value && number.length >= 3"
      class="mt-1 border-l-4 px-3 py-1"
      :class="query.data.value.fit === 'right' ? 'border-go bg-go-tint' : 'border-stop bg-stop-tint'"
      :data-fit="query.data.value.fit"
      aria-live="polite"
    >
      {{ query.data.value.says }}
    </p>
  </div>
</template>
