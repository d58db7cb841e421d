<script setup lang="ts">
import { ref } from 'vue'
import { api, dataOf, Refused, type Api } from '@/shared/api/client'
import { moment, percent, typedNumber } from '@/shared/format'
import KeyCap from '@/shared/ui/KeyCap.vue'

const minutes = ref('40')
const said = ref<Api<'WalkInView'> | null>(null)
const wrong = ref('')
async function ask() {
  wrong.value = ''
  try {
    said.value = await dataOf(
      api.GET('/api/day/walk-in', { params: { query: { minutes: typedNumber(minutes.value) ?? undefined } } }),
    )
  } catch (e) {
    said.value = null
    wrong.value = e instanceof Refused ? `${e.body.title}. ${e.body.detail}` : 'It could not be asked.'
  }
}
</script>

<template>
  <section class="panel p-3" aria-labelledby="walk-title" data-testid="walk-in">
    <h2 id="walk-title" class="text-base">Somebody at the door</h2>
    <form class="flex flex-wrap items-end gap-2" @submit.prevent="ask">
      <label>Minutes now <input v-model="minutes" class="field w-24 font-mono" inputmode="numeric" /></label>
      <button class="press"><KeyCap of="W" /> Try it</button>
    </form>
    <p v-if="wrong" role="alert" class="mt-1 text-stop">{{ wrong }}</p>
    <div v-if="said" class="mt-1" role="status">
      <p v-if="!said.harms.length">{{ said.minutes }} min now harm no promise.</p>
      <template v-else>
        <ul>
          <li v-for="h in said.harms" :key="h.tag">
            <b class="font-mono">{{ h.tag }}</b> {{ h.machine }}: holds {{ percent(h.before) }} now,
            <b class="text-stop">{{ percent(h.after) }}</b> then
          </li>
        </ul>
        <p>
          <template v-if="said.firstGap"
            >From <b>{{ moment(said.firstGap) }}</b> on it harms none.</template
          >
          <template v-else>There is no gap in the days that are planned.</template>
        </p>
      </template>
    </div>
  </section>
</template>
