<script setup lang="ts">
import { ref, watch } from 'vue'
import AppDialog from '@/shared/ui/AppDialog.vue'

const props = defineProps<{
  /** What is asked; empty when closed. */
  asks: string
  /** What the press says. */
  press: string
  /** What stands in the way; empty when nothing. */
  problem: string
}>()
const emit = defineEmits<{ close: []; send: [reason: string] }>()
const reason = ref('')
watch(
  () => props.asks,
  () => (reason.value = ''),
)
</script>

<template>
  <AppDialog :open="asks !== ''" :title="asks" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="emit('send', reason)">
      <label class="block">Why <input v-model="reason" class="field" required maxlength="2000" /></label>
      <p v-if="problem" role="alert" class="text-stop">{{ problem }}</p>
      <button type="submit" class="press press-main">{{ press }}</button>
    </form>
  </AppDialog>
</template>
