<script setup lang="ts">
import { computed, ref } from 'vue'
import { moment } from '@/shared/format'
import type { Api } from '@/shared/api/client'
import type { useAccounts } from './useAccounts'

const props = defineProps<{
  /** The account. */
  account: Api<'AccountView'>
  /** Who can be written to. */
  accounts: ReturnType<typeof useAccounts>
  /** Whether it is one's own. */
  isSelf: boolean
}>()
const asked = ref<'' | 'Suspended' | 'Gone'>('')
const why = ref('')
const says = computed(() => {
  const { standing, hasPin, codeUntil, role } = props.account
  const code = codeUntil ? `, code holds until ${moment(codeUntil)}` : ''
  if (standing === 'Invited') return `${role.toLowerCase()}, invited${code || ', code is over'}`
  return `${role.toLowerCase()}${standing === 'Suspended' ? ', suspended' : ''}${hasPin ? ', has a PIN' : ''}${code}`
})
const lose = computed(() =>
  asked.value === 'Gone'
    ? `${props.account.name} is signed out everywhere and cannot come back under this account. What they wrote keeps their name.`
    : `${props.account.name} is signed out everywhere, and cannot sign in until you let them back.`,
)
async function giveRole(of: HTMLSelectElement) {
  // Refused, it shows what still holds.
  if (!(await props.accounts.role(props.account.id, of.value))) of.value = props.account.role
}
async function stand(act: string) {
  if (!(await props.accounts.stand(props.account.id, act, why.value)) || asked.value !== act) return
  // Only the form that was sent closes: another may have been opened while the answer was on its way.
  asked.value = ''
  why.value = ''
}
</script>

<template>
  <li class="py-2">
    <div class="flex flex-wrap items-center justify-between gap-2">
      <span>
        <b>{{ account.name }}</b>
        <span class="block text-sm text-soft">{{ says }}</span>
      </span>
      <span class="flex flex-wrap gap-1">
        <label :for="`role-${account.id}`" class="sr-only">Role of {{ account.name }}</label>
        <select
          :id="`role-${account.id}`"
          class="field w-auto"
          :value="account.role"
          :disabled="accounts.busy.value"
          @change="giveRole($event.target as HTMLSelectElement)"
        >
          <option value="Technician">Technician</option>
          <option value="Counter">Counter</option>
          <option value="Owner">Owner</option>
        </select>
        <template v-if="account.standing === 'Suspended'">
          <button type="button" class="press" :disabled="accounts.busy.value" @click="stand('LetBack')">
            Let back<span class="sr-only"> {{ account.name }}</span>
          </button>
        </template>
        <template v-else>
          <button type="button" class="press" :disabled="accounts.busy.value" @click="accounts.code(account.id)">
            New code<span class="sr-only"> for {{ account.name }}</span>
          </button>
          <button
            v-if="account.standing === 'Active' && !isSelf"
            type="button"
            class="press"
            :aria-expanded="asked === 'Suspended'"
            @click="asked = asked === 'Suspended' ? '' : 'Suspended'"
          >
            Suspend<span class="sr-only"> {{ account.name }}</span>
          </button>
        </template>
        <button
          v-if="!isSelf"
          type="button"
          class="press"
          :aria-expanded="asked === 'Gone'"
          @click="asked = asked === 'Gone' ? '' : 'Gone'"
        >
          Has left<span class="sr-only"> the shop, {{ account.name }}</span>
        </button>
      </span>
    </div>
    <form v-if="asked" class="mt-2 space-y-2 border-l-4 border-warn pl-3" @submit.prevent="stand(asked)">
      <p>{{ lose }}</p>
      <label :for="`why-${account.id}`" class="block font-bold">Why, for the record</label>
      <input :id="`why-${account.id}`" v-model="why" class="field" maxlength="120" />
      <button class="press press-main" :disabled="accounts.busy.value">
        {{ asked === 'Gone' ? `${account.name} has left` : `Suspend ${account.name}` }}
      </button>
      <button type="button" class="press ml-2" @click="asked = ''">No, leave it</button>
    </form>
  </li>
</template>
