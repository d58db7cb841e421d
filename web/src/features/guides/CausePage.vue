<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { money, percent, withUnit } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import LoadState from '@/shared/ui/LoadState.vue'
import EditDialog, { type Edit } from './EditDialog.vue'

const props = defineProps<{
  /** The cause. */
  id: string
}>()
const session = useSession()
const query = useQuery({
  queryKey: ['cause', props.id],
  queryFn: () => dataOf(api.GET('/api/guides/causes/{id}', { params: { path: { id: props.id } } })),
})
const cause = computed(() => query.data.value)
const mayEdit = computed(() => session.person?.role === 'Owner')
const edit = ref<Edit | null>(null)
const spoken = (word: string) => word.replaceAll('-', ' ')
</script>

<template>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the cause" @retry="query.refetch()">
    <article v-if="cause">
      <RouterLink to="/guides" class="inline-flex min-h-11 items-center underline underline-offset-3"
        >The fault book</RouterLink
      >
      <h1 class="text-2xl">{{ cause.name }}</h1>
      <p class="mb-3 text-soft">
        At: {{ spoken(cause.station) }} ·
        <button
          v-if="mayEdit"
          type="button"
          class="press press-plain px-1"
          @click="
            edit = {
              kind: 'rate',
              target: cause.id,
              cause: '',
              outcome: '',
              now: cause.rate,
              says: `Rate of “${cause.name}”`,
            }
          "
        >
          {{ spoken(cause.rate) }}<span class="sr-only"> edit the rate</span>
        </button>
        <template v-else>{{ spoken(cause.rate) }}</template>
        · on {{ cause.models.join(', ') || 'none of our models' }}
      </p>
      <div class="grid items-start gap-3 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <section class="panel" aria-labelledby="signs-title">
          <h2 id="signs-title" class="text-xl">Signs</h2>
          <div v-for="s in cause.signs" :key="s.finding" class="border-t border-line py-2">
            <p class="font-bold">
              {{ s.name }} <span class="font-normal text-soft">{{ s.kind }}, {{ withUnit(s.minutes, 'min', 1) }}</span>
            </p>
            <p class="text-soft">{{ s.why }}</p>
            <ul class="mt-1 flex flex-wrap gap-x-4 gap-y-1">
              <li v-for="a in s.answers" :key="a.outcome">
                {{ a.label }}:
                <button
                  v-if="mayEdit"
                  type="button"
                  class="press press-plain px-1"
                  @click="
                    edit = {
                      kind: 'likelihood',
                      target: s.finding,
                      cause: cause.id,
                      outcome: a.outcome,
                      now: a.word,
                      says: `“${a.label}” to “${s.name}”`,
                    }
                  "
                >
                  {{ spoken(a.word) }}
                </button>
                <strong v-else>{{ spoken(a.word) }}</strong>
                <span class="font-mono text-sm text-soft"> {{ percent(a.ratio) }}</span>
              </li>
            </ul>
          </div>
        </section>
        <div class="space-y-3">
          <section class="panel" aria-labelledby="mends-title">
            <h2 id="mends-title" class="text-xl">What mends it</h2>
            <p v-if="cause.mends.length === 0" class="text-soft">
              Nothing at this bench: hand back, or leave it to licensed people.
            </p>
            <ul class="divide-y divide-line">
              <li v-for="m in cause.mends" :key="m.repair" class="py-1.5">
                <strong>{{ m.name }}</strong>: {{ spoken(m.chance) }}
                <span class="block text-sm text-soft">
                  {{ withUnit(m.minutes, 'min')
                  }}{{
                    m.parts > 0 ? `, ${m.part || 'parts'} ${money(m.parts, session.view?.currency ?? 'GBP')}` : ''
                  }}; proved by
                  {{ m.proof }}
                </span>
              </li>
            </ul>
          </section>
          <section class="panel" aria-labelledby="shows-title">
            <h2 id="shows-title" class="text-xl">How it shows</h2>
            <ul>
              <li v-for="c in cause.complaints" :key="c.id">{{ c.name }}: {{ spoken(c.word) }}</li>
            </ul>
            <ul v-if="cause.context.length" class="mt-2 border-t border-line pt-2 text-sm">
              <li v-for="c in cause.context" :key="c">{{ c }}</li>
            </ul>
            <p v-if="cause.watch" class="mt-2"><strong>Watch:</strong> {{ cause.watch }}</p>
          </section>
        </div>
      </div>
      <EditDialog :edit="edit" @close="edit = null" />
    </article>
  </LoadState>
</template>
