<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { nextTick, useTemplateRef, watch } from 'vue'
import { useOver } from '@/shared/state/useKeys'

const props = defineProps<{
  /** Whether it is shown. */
  open: boolean
  /** Its heading. */
  title: string
  /** Wide enough for lists. Default: false. */
  wide?: boolean
}>()
const emit = defineEmits<{ close: [] }>()
useOver(() => props.open)
const panel = useTemplateRef<{ $el: HTMLElement }>('panel')
// What is to be filled in has the focus, not the way back.
watch(
  () => props.open,
  async (open) => {
    if (!open) return
    await nextTick()
    await nextTick()
    panel.value?.$el.querySelector<HTMLElement>('input:not([type=radio]), select, textarea')?.focus()
  },
)
/** Ctrl and Enter send what is typed. */
const send = (event: KeyboardEvent) => (event.target as HTMLElement).closest('form')?.requestSubmit()
</script>

<template>
  <Dialog :open="open" class="fixed inset-0 z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-black/45" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto p-4">
      <DialogPanel
        ref="panel"
        class="mx-auto mt-[8vh] rounded border-2 border-ink bg-sheet p-5"
        :class="wide ? 'max-w-3xl' : 'max-w-lg'"
        @keydown.ctrl.enter.prevent="send"
      >
        <div class="mb-3 flex items-start justify-between gap-3">
          <DialogTitle as="h2" class="text-xl">{{ title }}</DialogTitle>
          <button type="button" class="press" @click="emit('close')">Back</button>
        </div>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
