<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { Refused, type ProblemBody } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'
import FieldRow from '@/shared/ui/FieldRow.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'

const session = useSession()
const route = useRoute()
const router = useRouter()
const name = ref('')
const password = ref('')
const code = ref('')
const problem = ref<ProblemBody | null>(null)
const busy = ref(false)
const first = () => session.view?.needsFirstOwner === true

async function enter() {
  busy.value = true
  problem.value = null
  try {
    if (first()) await session.firstOwner(code.value, name.value, password.value)
    else await session.signIn(name.value, password.value)
    await router.push(String(route.query.to ?? '/today'))
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.body
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="grid min-h-screen place-items-center p-4">
    <form class="panel w-full max-w-md space-y-4 p-6" @submit.prevent="enter">
      <h1 class="text-2xl">{{ first() ? 'Begin this shop' : 'Side Bench' }}</h1>
      <p v-if="first()">
        Nobody has an account here yet. The console where the server was started shows a one-time code.
      </p>
      <p v-else class="text-soft">Sign in to the bench.</p>
      <FieldRow v-if="first()" v-slot="f" label="One-time code" pointer="/code" :problem="problem">
        <input
          :id="f.id"
          v-model="code"
          class="field font-mono uppercase"
          autocomplete="one-time-code"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow v-slot="f" label="Name" pointer="/name" :problem="problem">
        <input
          :id="f.id"
          v-model="name"
          class="field"
          autocomplete="username"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow
        v-slot="f"
        label="Password"
        pointer="/password"
        :problem="problem"
        :help="first() ? 'At least 10 characters.' : undefined"
      >
        <input
          :id="f.id"
          v-model="password"
          type="password"
          class="field"
          :autocomplete="first() ? 'new-password' : 'current-password'"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <ProblemNote :problem="problem" @dismiss="problem = null" />
      <button type="submit" class="press press-main w-full" :disabled="busy">
        {{ first() ? 'Make the owner’s account' : 'Sign in' }}
      </button>
    </form>
  </main>
</template>
