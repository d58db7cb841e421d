<script setup lang="ts">
import { watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import { useBoard } from '@/shared/state/useBoard'
import LoadState from '@/shared/ui/LoadState.vue'

const router = useRouter()
const { data, isPending, error, refetch } = useBoard()
watchEffect(() => {
  const on = data.value?.jobs ?? []
  const first = on.find((j) => j.standing === 'hands' && j.place > 0) ?? on.find((j) => j.place > 0)
  if (first) void router.replace(`/bench/${first.id}`)
})
</script>

<template>
  <LoadState :pending="isPending" :error="error" what="the bench" @retry="refetch()">
    <section class="panel">
      <h1 class="text-2xl">The bench is empty</h1>
      <p class="mt-1">Take a machine in, and it stands here with its clock.</p>
      <RouterLink to="/take-in" class="press press-main mt-3">Take a machine in</RouterLink>
    </section>
  </LoadState>
</template>
