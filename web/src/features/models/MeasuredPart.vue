<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, toRef } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { day } from '@/shared/format'
import type { ModelDesk } from './useModels'

const props = defineProps<{
  /** The model. */
  model: string
  /** Who can be written to. */
  desk: ModelDesk
  /** Whether this person may teach it. */
  mayTeach: boolean
}>()
const id = toRef(props, 'model')
const query = useQuery({
  queryKey: ['models', id, 'measured'],
  queryFn: () => dataOf(api.GET('/api/models/{model}/measured', { params: { path: { model: id.value } } })),
})
const open = computed(() => query.data.value?.open ?? [])
const plain = computed(() => open.value.filter((m) => !m.isFarOff).length)
const sure = ref<string[]>([])
const short = (n: number) => Number(n.toPrecision(3)).toString()
const take = (of: Api<'MeasuredView'> | null) =>
  props.desk.measured({ model: props.model, of: of?.key ?? null, isSure: of !== null && sure.value.includes(of.key) })
</script>

<template>
  <section v-if="open.length" id="measured" class="panel mb-3" aria-labelledby="measured-title" data-testid="measured">
    <div class="flex flex-wrap items-center gap-3">
      <h2 id="measured-title" class="flex-1 text-xl">Measured at the bench, not in the figures yet</h2>
      <button
        v-if="mayTeach && plain > 1"
        type="button"
        class="press press-main"
        :disabled="desk.busy.value"
        @click="take(null)"
      >
        Take all {{ plain }}
      </button>
    </div>
    <ul class="divide-y divide-line">
      <li v-for="m in open" :key="m.key" class="flex flex-wrap items-center gap-x-3 py-1.5" :data-measured="m.pointer">
        <span class="min-w-0 flex-1 basis-60">
          {{ m.name }}
          <span class="block text-sm text-soft">
            {{ m.says }}, {{ day(m.at) }},
            <RouterLink class="inline-flex min-h-6 items-center underline" :to="`/records/${m.machine}`">{{
              m.serial
            }}</RouterLink>
          </span>
        </span>
        <span class="font-mono">{{ short(m.value) }} {{ m.unit }}, {{ short(m.low) }} to {{ short(m.high) }}</span>
        <template v-if="mayTeach">
          <label v-if="m.isFarOff" class="flex min-h-11 items-center gap-2 rounded bg-wait-tint px-2">
            <input v-model="sure" type="checkbox" class="size-6" :value="m.key" />
            Far off what was expected. It is so
          </label>
          <button
            type="button"
            class="press"
            :disabled="desk.busy.value || (m.isFarOff && !sure.includes(m.key))"
            @click="take(m)"
          >
            Take it<span class="sr-only">: {{ m.name }}, {{ m.says }}</span>
          </button>
        </template>
      </li>
    </ul>
  </section>
</template>
