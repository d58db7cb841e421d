<script setup lang="ts">
import { reactive } from 'vue'
import { moment } from '@/shared/format'
import { useSession } from '@/shared/state/useSession'
import FieldRow from '@/shared/ui/FieldRow.vue'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import AccountRow from './AccountRow.vue'
import BackupNote from './BackupNote.vue'
import SignInList from './SignInList.vue'
import { useAccounts } from './useAccounts'

const session = useSession()
const accounts = useAccounts()
const person = reactive({ name: '', role: 'Technician' })

async function invite() {
  if (await accounts.invite({ ...person })) person.name = ''
}
</script>

<template>
  <h1 class="mb-3 text-2xl">People of the shop</h1>
  <ProblemNote
    class="mb-3"
    :problem="accounts.problem.value"
    :asking="accounts.asking.value"
    :can-retry="accounts.canRetry.value"
    @retry="accounts.retry"
    @dismiss="accounts.dismiss"
  />
  <section
    v-if="accounts.made.value"
    class="panel mb-3 border-2 border-ink"
    role="status"
    aria-labelledby="code-title"
    data-testid="made-code"
  >
    <h2 id="code-title" class="text-xl">One-time code for {{ accounts.made.value.name }}</h2>
    <p class="my-2 font-mono text-3xl">{{ accounts.made.value.code }}</p>
    <p>
      It is told this once, and holds until {{ moment(accounts.made.value.until) }}. At the sign-in they press
      <b>I have a one-time code</b> and choose their own password.
    </p>
    <button type="button" class="press mt-2" @click="accounts.made.value = null">It is written down</button>
  </section>
  <div class="grid items-start gap-4 xl:grid-cols-[3fr_2fr]">
    <LoadState
      :pending="accounts.query.isPending.value"
      :error="accounts.query.error.value"
      what="people"
      @retry="accounts.query.refetch()"
    >
      <div class="panel">
        <ul class="divide-y divide-line" data-testid="accounts">
          <AccountRow
            v-for="a in accounts.here.value"
            :key="a.id"
            :account="a"
            :accounts="accounts"
            :is-self="a.id === session.person?.id"
          />
        </ul>
        <p v-if="accounts.gone.value.length" class="mt-2 border-t border-line pt-2 text-soft">
          Have left: {{ accounts.gone.value.map((a) => a.name).join(', ') }}.
        </p>
      </div>
    </LoadState>
    <div class="space-y-4">
      <form class="panel space-y-3" @submit.prevent="invite">
        <h2 class="text-xl">Invite a person</h2>
        <FieldRow v-slot="f" label="Name" pointer="/name" :problem="accounts.problem.value">
          <input
            :id="f.id"
            v-model="person.name"
            class="field"
            maxlength="120"
            autocomplete="off"
            :aria-invalid="f.invalid"
            :aria-describedby="f.described"
          />
        </FieldRow>
        <FieldRow v-slot="f" label="Role" pointer="/role">
          <select :id="f.id" v-model="person.role" class="field">
            <option value="Technician">Technician: works at the bench</option>
            <option value="Counter">Counter: takes in, speaks, hands over</option>
            <option value="Owner">Owner: all of it, and accounts</option>
          </select>
        </FieldRow>
        <button type="submit" class="press press-main" :disabled="accounts.busy.value">Make a one-time code</button>
      </form>
      <BackupNote />
      <section class="panel" aria-labelledby="places">
        <h2 id="places" class="mb-2 text-xl">Signed in now</h2>
        <SignInList :all="true" />
      </section>
    </div>
  </div>
</template>
