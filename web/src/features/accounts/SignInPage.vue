<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { Refused, type ProblemBody } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'
import FieldRow from '@/shared/ui/FieldRow.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import SecretField from './SecretField.vue'

const session = useSession()
const route = useRoute()
const router = useRouter()
const name = ref('')
const password = ref('')
const code = ref('')
const pin = ref('')
const joining = ref(false)
const problem = ref<ProblemBody | null>(null)
const busy = ref(false)
const first = computed(() => session.view?.needsFirstOwner === true)
// One key for one joining, whoever presses again.
const key = uuid()
const title = computed(() => (first.value ? 'Begin this shop' : joining.value ? 'Join this shop' : 'Side Bench'))

async function enter() {
  busy.value = true
  problem.value = null
  try {
    if (first.value) await session.firstOwner(code.value, name.value, password.value)
    else if (joining.value)
      await session.join({ key, name: name.value, code: code.value, password: password.value, pin: pin.value })
    else await session.signIn(name.value, password.value)
    await router.push(String(route.query.to ?? '/today'))
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.body
  } finally {
    busy.value = false
  }
}

function turn() {
  joining.value = !joining.value
  problem.value = null
}
</script>

<template>
  <main class="grid min-h-screen place-items-center p-4">
    <form class="panel w-full max-w-md space-y-4 p-6" @submit.prevent="enter">
      <h1 class="text-2xl">{{ title }}</h1>
      <p v-if="first">
        Nobody has an account here yet. The console where the server was started shows a one-time code.
      </p>
      <p v-else-if="joining">Type your name as the owner wrote it, and the code you were given.</p>
      <p v-else class="text-soft">Sign in to the bench.</p>
      <FieldRow v-if="first || joining" v-slot="f" label="One-time code" pointer="/code" :problem="problem">
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
      <SecretField
        v-model="password"
        :label="joining ? 'Your new password' : 'Password'"
        pointer="/password"
        :problem="problem"
        :kind="first || joining ? 'new-password' : 'current-password'"
        :help="first || joining ? 'At least 10 characters; a few words that do not belong together.' : undefined"
      />
      <SecretField
        v-if="joining"
        v-model="pin"
        label="PIN for the quick switch"
        pointer="/pin"
        :problem="problem"
        kind="pin"
        help="4 to 12 digits; may stay empty."
      />
      <ProblemNote :problem="problem" @dismiss="problem = null" />
      <button type="submit" class="press press-main w-full" :disabled="busy">
        {{ first ? 'Make the owner’s account' : joining ? 'Join' : 'Sign in' }}
      </button>
      <button v-if="!first" type="button" class="press w-full" @click="turn">
        {{ joining ? 'I have a password' : 'I have a one-time code' }}
      </button>
    </form>
  </main>
</template>
