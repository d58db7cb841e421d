<script lang="ts">
/** A word of the book to be changed. */
export interface Edit {
  kind: 'rate' | 'likelihood'
  target: string
  cause: string
  outcome: string
  now: string
  says: string
}
</script>

<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, dataOf } from '@/shared/api/client'
import { useShop } from '@/shared/state/useShop'
import AppDialog from '@/shared/ui/AppDialog.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'

const props = defineProps<{
  /** The word; null when closed. */
  edit: Edit | null
}>()
const emit = defineEmits<{ close: [] }>()
const shop = useShop()
const book = useQuery({ queryKey: ['book'], queryFn: () => dataOf(api.GET('/api/guides/book')) })
const to = ref('')
const reason = ref('')
watch(
  () => props.edit,
  (edit) => {
    to.value = edit?.now ?? ''
    reason.value = ''
  },
)
const words = computed(
  () => (props.edit?.kind === 'rate' ? book.data.value?.rateWords : book.data.value?.likelihoodWords) ?? [],
)

async function send() {
  if (!props.edit) return
  const { kind, target, cause, outcome } = props.edit
  if (await shop.edit({ kind, target, cause, outcome, to: to.value, reason: reason.value })) emit('close')
}
</script>

<template>
  <AppDialog :open="edit !== null" title="Change a word of the book" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="send">
      <p>{{ edit?.says }}. The edit is a line of the record; it can be taken back under Practice.</p>
      <fieldset>
        <legend class="font-bold">The word</legend>
        <label v-for="w in words" :key="w" class="flex min-h-11 items-center gap-2">
          <input v-model="to" type="radio" :value="w" /> {{ w.replaceAll('-', ' ') }}
          <span v-if="w === edit?.now" class="text-soft">(as it is)</span>
        </label>
      </fieldset>
      <label class="block">
        <span class="font-bold">Why</span>
        <input v-model="reason" class="field" required maxlength="2000" />
      </label>
      <ProblemNote :problem="shop.problem.value" :asking="shop.asking.value" @dismiss="shop.dismiss" />
      <button type="submit" class="press press-main" :disabled="shop.busy.value">Change it</button>
    </form>
  </AppDialog>
</template>
