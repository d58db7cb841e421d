<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { api, dataOf, Refused, type ProblemBody } from '@/shared/api/client'
import FieldRow from '@/shared/ui/FieldRow.vue'
import LoadState from '@/shared/ui/LoadState.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'

const people = useQuery({ queryKey: ['people'], queryFn: () => dataOf(api.GET('/api/people')) })
const person = reactive({ name: '', role: 'Technician', password: '', pin: '' })
const problem = ref<ProblemBody | null>(null)

async function add() {
  problem.value = null
  try {
    await dataOf(api.POST('/api/people', { body: { ...person } }))
    Object.assign(person, { name: '', password: '', pin: '' })
    await people.refetch()
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    problem.value = e.body
  }
}
</script>

<template>
  <h1 class="mb-3 text-2xl">People of the shop</h1>
  <div class="grid gap-4 lg:grid-cols-2">
    <LoadState :pending="people.isPending.value" :error="people.error.value" what="people" @retry="people.refetch()">
      <ul class="panel divide-y divide-line">
        <li v-for="p in people.data.value" :key="p.id" class="flex min-h-11 items-center justify-between gap-3">
          <span class="font-bold">{{ p.name }}</span>
          <span>{{ p.role.toLowerCase() }}{{ p.hasPin ? ', has a PIN' : '' }}</span>
        </li>
      </ul>
    </LoadState>
    <form class="panel space-y-3" @submit.prevent="add">
      <h2 class="text-xl">Add a person</h2>
      <FieldRow v-slot="f" label="Name" pointer="/name" :problem="problem">
        <input
          :id="f.id"
          v-model="person.name"
          class="field"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow v-slot="f" label="Role" pointer="/role" :problem="problem">
        <select :id="f.id" v-model="person.role" class="field">
          <option value="Technician">Technician: works at the bench</option>
          <option value="Counter">Counter: takes in, speaks, hands over</option>
          <option value="Owner">Owner: all of it, and accounts</option>
        </select>
      </FieldRow>
      <FieldRow v-slot="f" label="Password" pointer="/password" :problem="problem" help="At least 10 characters.">
        <input
          :id="f.id"
          v-model="person.password"
          type="password"
          autocomplete="new-password"
          class="field"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow
        v-slot="f"
        label="PIN for the quick switch"
        pointer="/pin"
        :problem="problem"
        help="4 digits or more; may stay empty."
      >
        <input
          :id="f.id"
          v-model="person.pin"
          type="password"
          inputmode="numeric"
          autocomplete="off"
          class="field"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <ProblemNote :problem="problem" @dismiss="problem = null" />
      <button type="submit" class="press press-main">Add</button>
    </form>
  </div>
</template>
