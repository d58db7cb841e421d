<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { Refused, type ProblemBody } from '@/shared/api/client'
import { loadAnew } from '@/shared/state/loadAnew'
import { useSession } from '@/shared/state/useSession'
import AppDialog from '@/shared/ui/AppDialog.vue'
import FieldRow from '@/shared/ui/FieldRow.vue'

const session = useSession()
const queries = useQueryClient()
const name = ref(session.person?.name ?? '')
const password = ref('')
const problem = ref<ProblemBody | null>(null)

async function enter() {
  problem.value = null
  try {
    await session.signIn(name.value, password.value)
    password.value = ''
    void loadAnew(queries)
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.body
  }
}
</script>

<template>
  <AppDialog :open="session.ended" title="Your sign-in has ended" @close="session.ended = false">
    <form class="space-y-3" @submit.prevent="enter">
      <p>What you typed is kept. Sign in, then send it again.</p>
      <FieldRow v-slot="f" label="Name" pointer="/name">
        <input :id="f.id" v-model="name" class="field" autocomplete="username" />
      </FieldRow>
      <FieldRow v-slot="f" label="Password" pointer="/password">
        <input :id="f.id" v-model="password" type="password" class="field" autocomplete="current-password" />
      </FieldRow>
      <p v-if="problem" role="alert" class="text-stop">{{ problem.title }}. {{ problem.hint }}</p>
      <button type="submit" class="press press-main">Sign in</button>
    </form>
  </AppDialog>
</template>
