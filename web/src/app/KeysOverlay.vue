<script setup lang="ts">
import { activeKeys, letters } from '@/shared/state/useKeys'
import AppDialog from '@/shared/ui/AppDialog.vue'

defineProps<{
  /** Whether it is shown. */
  open: boolean
}>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <AppDialog :open="open" title="Keys of this screen" @close="emit('close')">
    <dl class="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
      <template v-for="(group, g) in activeKeys" :key="g">
        <template v-for="k in group.keys" :key="k.key">
          <dt>
            <span class="keycap">{{ k.key }}</span>
          </dt>
          <dd>{{ k.does }}</dd>
        </template>
      </template>
    </dl>
    <label class="mt-3 flex min-h-11 items-center gap-2 border-t border-line pt-2">
      <input v-model="letters" type="checkbox" true-value="on" false-value="off" class="size-5" />
      Single letters are commands
    </label>
  </AppDialog>
</template>
