<script setup lang="ts">
import FieldRow from '@/shared/ui/FieldRow.vue'
import type { useTakeIn } from './useTakeIn'

const props = defineProps<{
  /** The form. */
  takeIn: ReturnType<typeof useTakeIn>
}>()
const { form, customers, customerId, problem, typeCustomer, chooseCustomer } = props.takeIn
</script>

<template>
  <section class="panel space-y-3" aria-labelledby="customer-title">
    <h2 id="customer-title" class="text-xl">The customer</h2>
    <FieldRow v-slot="f" label="Name" pointer="/customerName" :problem="problem">
      <input
        :id="f.id"
        v-model="form.customerName"
        class="field"
        autocomplete="off"
        :aria-invalid="f.invalid"
        :aria-describedby="f.described"
        @input="typeCustomer"
      />
    </FieldRow>
    <p v-if="customerId" class="text-go">✓ On record.</p>
    <ul v-else-if="customers.length" class="flex flex-wrap gap-1.5" aria-label="Customers on record with such a name">
      <li v-for="c in customers" :key="c.id">
        <button type="button" class="press" @click="chooseCustomer(c)">{{ c.name }}</button>
      </li>
    </ul>
    <p v-else-if="form.customerName" class="text-soft">A new customer.</p>
    <FieldRow v-slot="f" label="How to reach them" pointer="/customerContact" :problem="problem">
      <input
        :id="f.id"
        v-model="form.customerContact"
        class="field"
        autocomplete="off"
        :disabled="customerId !== null"
        :aria-invalid="f.invalid"
      />
    </FieldRow>
  </section>
</template>
