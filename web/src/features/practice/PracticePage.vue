<script setup lang="ts">
import { computed } from 'vue'
import { moment } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import { useShop } from '@/shared/state/useShop'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'

const shop = useShop()
const { query, busy, problem } = shop
const session = useSession()
const owner = computed(() => session.person?.role === 'Owner')
const edits = computed(() => (query.data.value?.entries ?? []).filter((e) => e.kind === 'book-edited'))
</script>

<template>
  <div class="mb-3 flex flex-wrap items-center justify-between gap-2">
    <h1 class="text-2xl">Practice of this shop</h1>
    <RouterLink class="press ml-auto" to="/practice/hours">Hours</RouterLink>
    <RouterLink class="press" to="/practice/minutes">How our minutes have done</RouterLink>
    <RouterLink class="press" to="/practice/odds">How the odds have done</RouterLink>
  </div>
  <LoadState
    :pending="query.isPending.value"
    :error="query.error.value"
    what="the shop’s choices"
    @retry="query.refetch()"
  >
    <ProblemNote
      class="mb-3"
      :problem="problem"
      :asking="shop.asking.value"
      :can-retry="shop.canRetry.value"
      @retry="shop.retry"
      @dismiss="shop.dismiss"
    />
    <p class="mb-3 text-soft">
      Where good people differ, both ways are here with their reasons. What is chosen changes the ladder, the costs or
      the gates; the card says so where it does. {{ owner ? '' : 'The owner chooses.' }}
    </p>
    <div class="grid items-start gap-3 lg:grid-cols-2">
      <section v-for="s in query.data.value?.schools" :key="s.id" class="panel" :data-school="s.id">
        <fieldset :disabled="busy || !owner">
          <legend class="text-lg font-bold">{{ s.name }}</legend>
          <p class="text-soft">{{ s.asks }} {{ s.follows }} {{ s.perJob ? 'A job may differ.' : '' }}</p>
          <label v-for="o in s.options" :key="o.id" class="flex min-h-11 items-center gap-3 py-1">
            <input
              type="radio"
              class="size-5 shrink-0"
              :name="s.id"
              :value="o.id"
              :checked="o.id === s.chosen"
              @change="shop.school(s.id, o.id)"
            />
            <span>
              <strong>{{ o.name }}</strong><span v-if="o.default" class="text-sm text-soft"> (default)</span>
              <span class="block text-sm text-soft">{{ o.why }}</span>
            </span>
          </label>
        </fieldset>
      </section>
    </div>
    <section class="panel mt-3" aria-labelledby="edits-title">
      <h2 id="edits-title" class="text-xl">The book</h2>
      <p class="text-soft">
        {{ query.data.value?.bookVersion }}. Words are changed on the page of a cause, under Guides.
      </p>
      <p v-if="edits.length === 0" class="mt-2">Nothing was changed by this shop.</p>
      <ul class="divide-y divide-line">
        <li v-for="e in edits" :key="e.id" class="flex flex-wrap items-center gap-3 py-1.5">
          <span class="min-w-0 flex-1" :class="e.takenBack ? 'text-soft line-through' : ''">
            {{ e.says }} <span class="text-sm text-soft">{{ e.person }}, {{ moment(e.at) }}</span>
          </span>
          <button
            v-if="owner && !e.takenBack"
            type="button"
            class="press"
            :disabled="busy"
            @click="shop.takeBack(e.id, '')"
          >
            Take back
          </button>
        </li>
      </ul>
      <button v-if="owner" type="button" class="press mt-2" :disabled="busy" @click="shop.readPacks">
        Read the packs again
      </button>
    </section>
  </LoadState>
</template>
