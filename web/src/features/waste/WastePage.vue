<script setup lang="ts">
import { computed, ref } from 'vue'
import { day, moment, withUnit } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import KeyCap from '@/shared/ui/KeyCap.vue'
import JobPage from '@/shared/ui/JobPage.vue'
import BoxList from './BoxList.vue'
import GateCard from './GateCard.vue'
import HandInDialog from './HandInDialog.vue'
import ResetDialog from './ResetDialog.vue'
import StoreDialog from './StoreDialog.vue'
import TwoTruths from './TwoTruths.vue'
import WasteForecast from './WasteForecast.vue'
import WaysOn from './WaysOn.vue'
import { useWaste } from './useWaste'

const props = defineProps<{
  /** Number of the job. */
  id: number
}>()
const session = useSession()
const desk = useWaste(props.id)
const { page: waste } = desk
const dialog = ref<'' | 'tell' | 'reset' | 'hand-in'>('')
const may = computed(() => session.mayBench && !!waste.value?.open && !!waste.value.ready)
const keys = computed(() => waste.value?.keys.reduce((sum, k) => sum + k.left, 0) ?? 0)
</script>

<template>
  <JobPage :desk="desk" what="waste" data-testid="waste" :quiet="dialog !== ''" @retry="desk.retry()">
    <template v-if="waste" #head>
      <span class="rounded bg-ink px-2 py-1 font-mono text-lg font-bold text-sheet">{{ waste.tag }}</span>
      <h1 class="text-2xl">Waste</h1>
      <p class="min-w-0 flex-1 basis-60 text-soft">
        {{ waste.model }}<template v-if="waste.store"> · {{ waste.store }}</template
        ><template v-if="waste.box"> · box {{ waste.box }}</template>
      </p>
      <span class="chip">{{ waste.resets }} reset{{ waste.resets === 1 ? '' : 's' }} on record</span>
      <span v-if="keys" class="chip"
        >keys on the shelf <b class="font-mono">{{ keys }}</b></span
      >
    </template>
    <template v-if="waste">
      <p v-if="!waste.ready" class="panel p-3">{{ waste.says }}</p>
      <template v-else>
        <p
          v-if="waste.unserviced"
          class="mb-2 border-l-4 border-stop bg-stop-tint px-3 py-1.5 font-bold"
          data-testid="unserviced"
        >
          {{ waste.unserviced }}.
        </p>
        <p v-if="waste.dueOn" class="mb-2" data-testid="waste-due">
          Next: <b>{{ day(waste.dueOn) }}</b> at the earliest. {{ waste.due }}.
        </p>
        <ul v-if="waste.doubts.length" class="mb-2 border-l-4 border-wait bg-wait-tint px-3 py-1.5">
          <li v-for="d in waste.doubts" :key="d">{{ d }}</li>
        </ul>
        <div class="grid grid-cols-[minmax(0,1fr)] items-start gap-2 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.6fr)]">
          <div class="grid grid-cols-[minmax(0,1fr)] gap-2">
            <TwoTruths :waste="waste" />
            <GateCard :waste="waste" :may="may" @reset="dialog = 'reset'" @tell="dialog = 'tell'" />
            <BoxList v-if="waste.hasBox" :boxes="waste.boxes" />
          </div>
          <div class="grid grid-cols-[minmax(0,1fr)] gap-2">
            <WasteForecast v-if="!waste.bottle" :waste="waste" />
            <section v-if="waste.bottle" class="panel p-3" aria-labelledby="bottle-title" data-testid="waste-bottle">
              <h2 id="bottle-title" class="text-base">Outside bottle, {{ withUnit(waste.bottle.holdsMl, 'ml') }}</h2>
              <p>
                About <b>{{ withUnit(waste.bottle.inIt.best, 'ml') }}</b> in it ({{
                  Math.round(waste.bottle.inIt.low)
                }}
                to {{ Math.round(waste.bottle.inIt.high) }}); empty it at {{ withUnit(waste.bottle.emptyAtMl, 'ml')
                }}<template v-if="waste.bottle.emptyOn"
                  >, about <b>{{ day(waste.bottle.emptyOn) }}</b><template v-if="waste.bottle.emptyEarliest"
                    >, not before {{ day(waste.bottle.emptyEarliest) }}</template
                  ></template
                >.
              </p>
              <p class="text-sm text-soft">
                If it stays empty, look at clamp, vent and kinks, and for a second outlet. If it backs up, the clamp is
                shut or the vent blocked.
              </p>
            </section>
            <WaysOn :waste="waste" :years="desk.years.value" @years="desk.years.value = $event" />
          </div>
        </div>
        <section class="panel mt-2 p-3" aria-labelledby="life-title">
          <h2 id="life-title" class="text-base">Its life, newest first</h2>
          <p v-if="!waste.moments.length" class="text-soft">Nothing on record yet.</p>
          <ul v-else>
            <li v-for="(m, i) in waste.moments" :key="i" class="flex flex-wrap gap-x-3 border-t border-line py-1.5">
              <span class="w-44 text-soft">{{ moment(m.at) }}</span> {{ m.says }}
            </li>
          </ul>
        </section>
      </template>
      <nav class="no-print mt-3 flex flex-wrap gap-2" aria-label="From here">
        <RouterLink class="press" :to="`/bench/${id}`"><KeyCap of="B" /> Bench</RouterLink>
        <button v-if="may" type="button" class="press" @click="dialog = 'hand-in'">Handed in</button>
        <a v-if="waste.dueOn" class="press" :href="`/api/jobs/${id}/waste/due.ics`">Next day for a calendar</a>
        <RouterLink class="press" to="/waste">Waste of all machines</RouterLink>
        <RouterLink class="press" :to="`/bench/${id}/opening`">Guides for this machine</RouterLink>
      </nav>
      <StoreDialog :open="dialog === 'tell'" :waste="waste" :desk="desk" @close="dialog = ''" />
      <ResetDialog :open="dialog === 'reset'" :waste="waste" :desk="desk" @close="dialog = ''" />
      <HandInDialog :open="dialog === 'hand-in'" :rules="waste.rules" :desk="desk" @close="dialog = ''" />
    </template>
  </JobPage>
</template>
