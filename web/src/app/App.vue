<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { useStorage } from '@vueuse/core'
import { defineAsyncComponent, ref, watchEffect } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useEvents } from '@/shared/state/useEvents'
import { useKeys, useOver } from '@/shared/state/useKeys'
import { useSession } from '@/shared/state/useSession'
import BenchStrip from './BenchStrip.vue'
import BusyMark from './BusyMark.vue'
import DrawerRail from './DrawerRail.vue'
import LiveLine from './LiveLine.vue'
import WaitingNote from './WaitingNote.vue'

// Dialogs come when they are first needed, so that the first view is light.
const JumpPalette = defineAsyncComponent(() => import('./JumpPalette.vue'))
const KeysOverlay = defineAsyncComponent(() => import('./KeysOverlay.vue'))
const SignInAgain = defineAsyncComponent(() => import('@/features/accounts/SignInAgain.vue'))
const SwitchDialog = defineAsyncComponent(() => import('@/features/accounts/SwitchDialog.vue'))

const route = useRoute()
const router = useRouter()
const session = useSession()
const queries = useQueryClient()
const lamp = useStorage<'on' | 'off'>('side-bench-lamp', 'on')
const jumping = ref(false)
const showingKeys = ref(false)
const switching = ref(false)
const { status } = useEvents()
watchEffect(() => (document.documentElement.dataset.lamp = lamp.value))
useOver(() => jumping.value || showingKeys.value || switching.value || session.ended)
useKeys(() => [
  { key: 'P', does: 'switch person', run: () => (switching.value = true) },
  { key: 'Alt+1..9', does: 'bench places' },
])

async function leave() {
  await session.signOut()
  await router.push('/sign-in')
  queries.clear()
}
</script>

<template>
  <RouterView v-if="route.meta.bare || !session.person" />
  <div v-else class="flex min-h-screen flex-col">
    <a href="#page" class="sr-only focus:not-sr-only focus:p-3">Skip to the page</a>
    <a v-if="route.meta.title === 'Bench'" href="#next-title" class="sr-only focus:not-sr-only focus:p-3"
      >Skip to the step</a
    >
    <BenchStrip class="no-print" @switch="switching = true" />
    <div class="flex flex-1 flex-col-reverse md:flex-row">
      <DrawerRail
        class="no-print"
        :lamp="lamp"
        @jump="jumping = true"
        @keys="showingKeys = true"
        @lamp="lamp = lamp === 'on' ? 'off' : 'on'"
      />
      <main id="page" class="min-w-0 flex-1 p-3 pb-24 md:p-4 md:pt-2 md:pb-4" tabindex="-1">
        <LiveLine :status="status" />
        <WaitingNote />
        <RouterView :key="route.path" />
      </main>
    </div>
    <JumpPalette v-if="jumping" :open="jumping" @close="jumping = false" />
    <KeysOverlay v-if="showingKeys" :open="showingKeys" @close="showingKeys = false" />
    <SwitchDialog v-if="switching" :open="switching" @close="switching = false" @leave="leave" />
    <SignInAgain v-if="session.ended" />
    <BusyMark />
  </div>
</template>
