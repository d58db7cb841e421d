<script setup lang="ts">
import { ref } from 'vue'
import type { Api } from '@/shared/api/client'

const props = defineProps<{
  /** What the day keeps to. */
  rules: Api<'DayRulesView'>
  /** Whether this person may change it. */
  owner: boolean
  /** Whether something is being written. */
  busy: boolean
  /** Writes a rule; whether it was written. */
  set: (body: { rule: string; of: number; value: string }) => Promise<unknown>
}>()
const corners = ref<string | null>(null)
const aired = ref<string | null>(null)
async function setCorners() {
  if (await props.set({ rule: 'Corners', of: 0, value: `${corners.value ?? ''}`.trim() })) corners.value = null
}
async function setAired() {
  if (await props.set({ rule: 'Aired', of: 0, value: aired.value ?? '' })) aired.value = null
}
function leave(person: Api<'LeavesView'>, kind: string, leaves: boolean) {
  const kinds = person.kinds.filter((k) => k !== kind)
  void props.set({ rule: 'Leaves', of: person.of, value: [...kinds, ...(leaves ? [kind] : [])].join(' ') })
}
</script>

<template>
  <section class="panel p-3" aria-labelledby="rules-title" data-testid="day-rules">
    <h2 id="rules-title" class="text-lg">What the day keeps to</h2>
    <form class="flex flex-wrap items-center gap-2 py-1" @submit.prevent="setCorners">
      <label class="min-w-0 flex-1 basis-48" for="corners">
        Places for open machines
        <span class="block text-sm text-soft">{{
          rules.corners === 0
            ? 'As many as come. A number: no machine is opened before another is shut.'
            : '0 is as many as come. For a part or a person a machine is shut and set aside.'
        }}</span>
      </label>
      <input
        id="corners"
        class="field w-20 font-mono"
        inputmode="numeric"
        maxlength="2"
        :value="corners ?? rules.corners"
        :disabled="!owner"
        @input="corners = ($event.target as HTMLInputElement).value"
      />
      <button class="press" :disabled="!owner || busy || corners === null">
        Set<span class="sr-only">: places for open machines</span>
      </button>
    </form>
    <form class="flex flex-wrap items-center gap-2 border-t border-line py-1" @submit.prevent="setAired">
      <label class="min-w-0 flex-1 basis-48" for="aired">
        Loud and smelly work within
        <span class="block text-sm text-soft">Such as 10:00-12:00, on every day; empty is any open hour.</span>
      </label>
      <input
        id="aired"
        class="field w-44 font-mono"
        maxlength="200"
        placeholder="any open hour"
        :value="aired ?? rules.aired"
        :disabled="!owner"
        @input="aired = ($event.target as HTMLInputElement).value"
      />
      <button class="press" :disabled="!owner || busy || aired === null">
        Set<span class="sr-only">: hours for loud and smelly work</span>
      </button>
    </form>
    <fieldset v-for="p in rules.leaves" :key="p.of" class="border-t border-line py-1">
      <legend class="float-left w-full font-bold">{{ p.name }} leaves to others</legend>
      <label v-for="k in rules.kinds" :key="k.id" class="flex min-h-11 clear-both items-center gap-2">
        <input
          type="checkbox"
          class="size-6"
          :checked="p.kinds.includes(k.id)"
          :disabled="!owner || busy"
          @change="leave(p, k.id, ($event.target as HTMLInputElement).checked)"
        />
        {{ k.name }}
      </label>
    </fieldset>
  </section>
</template>
