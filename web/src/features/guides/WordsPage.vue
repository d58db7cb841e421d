<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { wordsLike } from './words'

const route = useRoute()
const typed = ref(String(route.query.q ?? ''))
const found = computed(() => wordsLike(typed.value))
</script>

<template>
  <h1 class="mb-3 text-2xl">Words</h1>
  <section class="panel">
    <label for="words-find" class="mb-1 block font-bold">A term of the trade, or a part of what it means</label>
    <input id="words-find" v-model="typed" type="search" class="field text-lg" autocomplete="off" />
    <p v-if="!found.length" class="mt-3">No term fits “{{ typed }}”.</p>
    <dl class="mt-2 divide-y divide-line" data-testid="words">
      <div v-for="w in found" :key="w.word" class="grid gap-x-4 py-1.5 sm:grid-cols-[16rem_1fr]">
        <dt class="font-bold">{{ w.word }}</dt>
        <dd>{{ w.means }}</dd>
      </div>
    </dl>
  </section>
</template>
