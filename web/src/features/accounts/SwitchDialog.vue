<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { api, dataOf, Refused, type Api, type ProblemBody } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'
import AppDialog from '@/shared/ui/AppDialog.vue'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
}>()
const emit = defineEmits<{ close: []; leave: [] }>()
const session = useSession()
const people = useQuery({
  queryKey: ['people'],
  queryFn: () => dataOf(api.GET('/api/people')),
  enabled: () => props.open,
})
const chosen = ref<Api<'PersonView'> | null>(null)
const pin = ref('')
const problem = ref<ProblemBody | null>(null)
watch(
  () => props.open,
  () => {
    chosen.value = null
    pin.value = ''
    problem.value = null
  },
)

async function enter() {
  if (!chosen.value) return
  try {
    await session.switchTo(chosen.value.id, pin.value)
    emit('close')
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.body
    pin.value = ''
  }
}
</script>

<template>
  <AppDialog :open="open" title="Who is at the bench?" @close="emit('close')">
    <ul class="grid gap-2 sm:grid-cols-2">
      <li v-for="p in people.data.value ?? []" :key="p.id">
        <button
          type="button"
          class="press min-h-14 w-full flex-col items-start gap-0"
          :class="chosen?.id === p.id ? 'border-2 border-ink' : ''"
          :aria-pressed="chosen?.id === p.id"
          :disabled="!p.hasPin || p.id === session.person?.id"
          @click="chosen = p"
        >
          {{ p.name }}
          <span class="text-sm font-normal">{{
            p.id === session.person?.id ? 'signed in' : p.hasPin ? p.role.toLowerCase() : 'no PIN: sign in by password'
          }}</span>
        </button>
      </li>
    </ul>
    <form v-if="chosen" class="mt-4" @submit.prevent="enter">
      <label for="switch-pin" class="mb-1 block font-bold">PIN of {{ chosen.name }}</label>
      <div class="flex gap-2">
        <input
          id="switch-pin"
          v-model="pin"
          type="password"
          inputmode="numeric"
          autocomplete="off"
          class="field font-mono text-xl"
        />
        <button type="submit" class="press press-main">Switch</button>
      </div>
      <p v-if="problem" role="alert" class="mt-2 text-stop">{{ problem.title }}. {{ problem.hint }}</p>
    </form>
    <p class="mt-4 flex flex-wrap gap-2">
      <RouterLink to="/me" class="press" @click="emit('close')">Your password and PIN</RouterLink>
      <button type="button" class="press" @click="emit('leave')">Sign out</button>
    </p>
  </AppDialog>
</template>
