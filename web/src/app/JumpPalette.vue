<script setup lang="ts">
import {
  Combobox,
  ComboboxInput,
  ComboboxLabel,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
} from '@headlessui/vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { wordsLike } from '@/features/guides/words'
import { api, dataOf } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'

defineProps<{
  /** Whether it is shown. */
  open: boolean
}>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const typed = ref('')
const commands = [
  { title: 'Today', detail: 'what needs hands now', to: '/today' },
  { title: 'Take in', detail: 'a machine comes to the bench', to: '/take-in' },
  { title: 'Records', detail: 'machines and customers', to: '/records' },
  { title: 'Shelf', detail: 'parts there and missing', to: '/shelf' },
  { title: 'Guides', detail: 'step by step, and the fault book', to: '/guides' },
  { title: 'Sums', detail: 'small sums of the trade', to: '/sums' },
  { title: 'Practice', detail: 'the shop’s schools and numbers', to: '/practice' },
  { title: 'Your sign-in', detail: 'your password, PIN, and where you are signed in', to: '/me' },
  { title: 'Words', detail: 'the terms of the trade', to: '/guides/words' },
]
const session = useSession()
const people = useQuery({
  queryKey: ['people'],
  queryFn: () => dataOf(api.GET('/api/people')),
  enabled: () => session.person?.role === 'Owner' && typed.value.trim().length > 1,
})
const query = useQuery({
  queryKey: ['find', typed],
  queryFn: () => dataOf(api.GET('/api/find', { params: { query: { q: typed.value } } })),
  enabled: computed(() => typed.value.trim() !== ''),
  placeholderData: (last) => last,
})
const book = useQuery({
  queryKey: ['find-book', typed],
  queryFn: () => dataOf(api.GET('/api/find/book', { params: { query: { q: typed.value } } })),
  enabled: computed(() => typed.value.trim().length > 1),
  placeholderData: (last) => last,
})
const places: Record<string, (id: number) => string> = {
  job: (id) => `/bench/${id}`,
  machine: (id) => `/records/${id}`,
}
const hits = computed(() => {
  const word = typed.value.trim().toLowerCase()
  const own = commands.filter((c) => c.title.toLowerCase().includes(word)).map((c) => ({ ...c, kind: 'go to' }))
  if (!word) return own
  const found = (query.data.value ?? []).map((f) => ({
    kind: f.kind,
    title: f.title,
    detail: f.detail,
    to: places[f.kind]?.(f.id) ?? `/records?q=${encodeURIComponent(f.title)}`,
  }))
  const words = wordsLike(word, 3).map((w) => ({
    kind: 'word',
    title: w.word,
    detail: w.means,
    to: `/guides/words?q=${w.word}`,
  }))
  const staff = (session.person?.role === 'Owner' && word.length > 1 ? (people.data.value ?? []) : [])
    .filter((p) => p.name.toLowerCase().includes(word))
    .map((p) => ({ kind: 'person', title: p.name, detail: `${p.role.toLowerCase()} of the shop`, to: '/people' }))
  return [...found, ...own, ...staff, ...(word.length > 1 ? (book.data.value ?? []) : []), ...words]
})

function go(hit: { to: string } | null) {
  if (!hit) return
  typed.value = ''
  emit('close')
  void router.push(hit.to)
}
</script>

<template>
  <Dialog :open="open" class="fixed inset-0 z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/45" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto p-4">
      <DialogPanel
        class="mx-auto mt-[8vh] max-w-xl rounded border-2 border-ink bg-sheet p-3"
        @keydown.esc.capture.stop.prevent="emit('close')"
      >
        <Combobox :model-value="null" nullable @update:model-value="go">
          <ComboboxLabel class="mb-1 block font-bold"
            >Jump to a machine, customer, tag, guide, code, word, person or drawer</ComboboxLabel
          >
          <ComboboxInput class="field text-lg" autocomplete="off" @change="typed = $event.target.value" />
          <ComboboxOptions static class="mt-2" aria-label="Found">
            <ComboboxOption
              v-for="hit in hits"
              :key="hit.to + hit.title"
              v-slot="{ active }"
              :value="hit"
              as="template"
            >
              <li
                class="flex min-h-11 items-center gap-3 rounded px-3 py-1"
                :class="active ? 'bg-mat text-mat-text' : 'text-ink'"
              >
                <span class="w-20 shrink-0 text-sm">{{ hit.kind }}</span>
                <span class="min-w-0">
                  <span class="block truncate font-bold">{{ hit.title }}</span>
                  <span class="block truncate text-sm">{{ hit.detail }}</span>
                </span>
              </li>
            </ComboboxOption>
          </ComboboxOptions>
        </Combobox>
        <p v-if="hits.length === 0" class="p-3 text-soft">Nothing found for “{{ typed }}”.</p>
      </DialogPanel>
    </div>
  </Dialog>
</template>
