<script setup lang="ts">
import FieldRow from '@/shared/ui/FieldRow.vue'
import type { useTakeIn } from './useTakeIn'

const props = defineProps<{
  /** The form. */
  takeIn: ReturnType<typeof useTakeIn>
}>()
const { form, machine, problem, choices } = props.takeIn
</script>

<template>
  <section class="panel space-y-3" aria-labelledby="machine-title">
    <h2 id="machine-title" class="text-xl">The machine</h2>
    <FieldRow
      v-slot="f"
      label="Serial"
      pointer="/serial"
      :problem="problem"
      help="A machine that was here before is found by it."
    >
      <input
        :id="f.id"
        v-model="form.serial"
        class="field font-mono"
        autocomplete="off"
        :aria-invalid="f.invalid"
        :aria-describedby="f.described"
      />
    </FieldRow>
    <div v-if="machine" class="rounded-r border-l-4 border-go bg-go-tint p-3" data-testid="found-machine">
      <p>
        <strong>{{ machine.machine }}</strong> of {{ machine.customer.name }}, here {{ machine.visits }}
        {{ machine.visits === 1 ? 'time' : 'times' }} before.
      </p>
      <RouterLink v-if="machine.openJob" class="underline" :to="`/bench/${machine.openJob}`"
        >It is here now, under an open job.</RouterLink
      >
      <RouterLink v-else class="underline" :to="`/records/${machine.id}`">Its record</RouterLink>
    </div>
    <FieldRow v-else v-slot="f" label="Model" pointer="/modelId" :problem="problem">
      <select :id="f.id" v-model="form.modelId" class="field" :aria-invalid="f.invalid" :aria-describedby="f.described">
        <option value="" disabled>Choose one</option>
        <option v-for="m in choices.data.value?.models ?? []" :key="m.id" :value="m.id">
          {{ m.name }} ({{ m.kind }})
        </option>
      </select>
    </FieldRow>
    <RouterLink v-if="!machine" class="press" to="/models?new">It is none of these</RouterLink>
  </section>
</template>
