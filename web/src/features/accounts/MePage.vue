<script setup lang="ts">
import { reactive, ref } from 'vue'
import { useSession } from '@/shared/state/useSession'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import SecretField from './SecretField.vue'
import SignInList from './SignInList.vue'
import { useSignIns } from './useAccounts'

const session = useSession()
const own = useSignIns()
const password = reactive({ now: '', password: '' })
const pin = reactive({ now: '', pin: '' })
const done = ref('')
const tried = ref<'password' | 'pin'>('password')

async function changePassword() {
  tried.value = 'password'
  done.value = ''
  if (!(await own.password({ ...password }))) return
  Object.assign(password, { now: '', password: '' })
  done.value = 'Your new password holds. Everywhere else you are signed out.'
}

async function changePin() {
  tried.value = 'pin'
  done.value = ''
  const taken = pin.pin === ''
  if (!(await own.pin({ ...pin }))) return
  Object.assign(pin, { now: '', pin: '' })
  done.value = taken ? 'You have no PIN any more.' : 'Your new PIN holds.'
}
</script>

<template>
  <h1 class="mb-3 text-2xl">Your sign-in, {{ session.person?.name }}</h1>
  <p v-if="done" role="status" class="panel mb-3 p-3">{{ done }}</p>
  <ProblemNote
    class="mb-3"
    :problem="own.problem.value"
    :asking="own.asking.value"
    :can-retry="own.canRetry.value"
    @retry="own.retry"
    @dismiss="own.dismiss"
  />
  <div class="grid items-start gap-4 lg:grid-cols-3">
    <form class="panel space-y-3" @submit.prevent="changePassword">
      <h2 class="text-xl">New password</h2>
      <SecretField
        v-model="password.now"
        label="Password of now"
        pointer="/now"
        kind="current-password"
        :problem="tried === 'password' ? own.problem.value : null"
      />
      <SecretField
        v-model="password.password"
        label="New password"
        pointer="/password"
        kind="new-password"
        help="At least 10 characters; a few words that do not belong together."
        :problem="own.problem.value"
      />
      <button class="press press-main" :disabled="own.busy.value">Change password</button>
    </form>
    <form class="panel space-y-3" @submit.prevent="changePin">
      <h2 class="text-xl">New PIN</h2>
      <SecretField
        v-model="pin.now"
        label="Password of now, for the PIN"
        pointer="/now"
        kind="current-password"
        :problem="tried === 'pin' ? own.problem.value : null"
      />
      <SecretField
        v-model="pin.pin"
        label="New PIN"
        pointer="/pin"
        kind="pin"
        help="4 to 12 digits, for the quick switch; empty for none."
        :problem="own.problem.value"
      />
      <button class="press press-main" :disabled="own.busy.value">Change PIN</button>
    </form>
    <section class="panel" aria-labelledby="own-places">
      <h2 id="own-places" class="mb-2 text-xl">Where you are signed in</h2>
      <SignInList :all="false" />
    </section>
  </div>
</template>
