<script setup lang="ts">
import { useSession } from '@/shared/state/useSession'
import { useShop } from '@/shared/state/useShop'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'

const shop = useShop()
const { query, busy, problem } = shop
const session = useSession()
</script>

<template>
  <h1 class="mb-1 text-2xl">Shelf</h1>
  <p class="mb-3 text-soft">
    A part that is not here makes its repairs wait: the advice plans round it, and says so when it is still the best.
  </p>
  <LoadState :pending="query.isPending.value" :error="query.error.value" what="the shelf" @retry="query.refetch()">
    <ProblemNote
      class="mb-3"
      :problem="problem"
      :asking="shop.asking.value"
      :can-retry="shop.canRetry.value"
      @retry="shop.retry"
      @dismiss="shop.dismiss"
    />
    <ul class="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
      <li v-for="p in query.data.value?.parts" :key="p.part" class="panel flex items-center justify-between gap-3 py-2">
        <span>
          <strong>{{ p.part }}</strong>
          <span class="block text-sm" :class="p.here ? 'text-soft' : 'font-bold text-wait'">
            {{ p.here ? 'on the shelf' : 'not on the shelf' }}
          </span>
        </span>
        <button
          type="button"
          class="press"
          :disabled="busy || !session.mayBench"
          :data-part="p.part"
          @click="shop.part(p.part, !p.here)"
        >
          {{ p.here ? 'Used up' : 'It is here' }}<span class="sr-only">: {{ p.part }}</span>
        </button>
      </li>
    </ul>
  </LoadState>
</template>
