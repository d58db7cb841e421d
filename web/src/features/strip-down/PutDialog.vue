<script setup lang="ts">
import { ref } from 'vue'
import AppDialog from '@/shared/ui/AppDialog.vue'

defineProps<{
  /** Whether it is shown. */
  open: boolean
}>()
const emit = defineEmits<{ close: []; put: [label: string, change: string, count: number] }>()
const label = ref('')
const change = ref('inside')
const changes = [
  'inside',
  'plugged',
  'clamped',
  'taped',
  'bridged',
  'open',
  'unplugged',
  'off',
  'loose',
  'aside',
  'wet',
]
const often = ['folded towel under the head', 'line plugs', 'lid switch']
function put() {
  emit('put', label.value, change.value, 1)
  label.value = ''
}
</script>

<template>
  <AppDialog :open="open" title="Put by hand" @close="emit('close')">
    <form class="space-y-3" @submit.prevent="put">
      <p class="flex flex-wrap gap-1.5">
        <button v-for="o in often" :key="o" type="button" class="press px-2" @click="label = o">{{ o }}</button>
      </p>
      <label class="block">What <input v-model="label" class="field" required maxlength="120" /></label>
      <label class="block"
        >It is now
        <select v-model="change" class="field">
          <option v-for="c in changes" :key="c">{{ c }}</option>
        </select></label
      >
      <button type="submit" class="press press-main">On the tray</button>
    </form>
  </AppDialog>
</template>
