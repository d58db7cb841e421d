<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import KeyCap from '@/shared/ui/KeyCap.vue'

defineProps<{
  /** What is under way; empty when nothing is. */
  doing: string
  /** Scanners that stand ready. */
  devices: string[]
  /** Whether there is no sheet yet, so that it speaks up. */
  first: boolean
}>()
const emit = defineEmits<{
  picture: [file: Blob, way: 'file' | 'camera' | 'paste']
  scan: [device: string]
  taps: []
}>()
const over = ref(false)
const names: Record<string, string> = { flatbed: 'Scan on the flatbed', phone: 'Phone stand-in' }

function chosen(event: Event, way: 'file' | 'camera') {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (file) emit('picture', file, way)
  input.value = ''
}
function dropped(event: DragEvent) {
  over.value = false
  const file = event.dataTransfer?.files[0]
  if (file) emit('picture', file, 'file')
}
useEventListener(document, 'paste', (event: ClipboardEvent) => {
  const file = [...(event.clipboardData?.files ?? [])][0]
  if (file) emit('picture', file, 'paste')
})
</script>

<template>
  <section
    class="no-print rounded border-2 border-dashed p-3"
    :class="over ? 'border-go bg-go-tint' : 'border-line'"
    aria-label="Take a nozzle sheet"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="dropped"
  >
    <h2 v-if="first" class="mb-1 text-xl">No nozzle sheet yet</h2>
    <p v-if="first" class="mb-2">
      Print one, then scan it, take a picture, drop a file here, paste one, or tap what you see.
    </p>
    <p v-if="doing" role="status" class="flex min-h-11 items-center gap-2 font-bold">
      <span class="h-2 w-24 animate-pulse rounded bg-go motion-reduce:animate-none" aria-hidden="true" />{{ doing }} …
    </p>
    <div v-else class="flex flex-wrap gap-2">
      <button
        v-for="d in devices"
        :key="d"
        type="button"
        class="press"
        :class="d === 'flatbed' ? 'press-main' : ''"
        @click="emit('scan', d)"
      >
        <KeyCap v-if="d === 'flatbed'" of="S" /> {{ names[d] ?? d }}
      </button>
      <label class="press focus-within:outline-3 focus-within:outline-hands">
        Choose a picture<input
          type="file"
          accept="image/png,image/jpeg"
          class="sr-only"
          @change="chosen($event, 'file')"
        />
      </label>
      <label class="press focus-within:outline-3 focus-within:outline-hands">
        Camera<input
          type="file"
          accept="image/*"
          capture="environment"
          class="sr-only"
          @change="chosen($event, 'camera')"
        />
      </label>
      <button type="button" class="press" @click="emit('taps')">Tap it in</button>
    </div>
  </section>
</template>
