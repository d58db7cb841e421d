<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/shared/state/useSession'
import LoadState from '@/shared/ui/LoadState.vue'
import ImportPart from './ImportPart.vue'
import KindForm from './KindForm.vue'
import { useModels } from './useModels'

const desk = useModels()
const session = useSession()
const making = ref(new URLSearchParams(location.search).has('new'))
</script>

<template>
  <div class="mb-3 flex flex-wrap items-center gap-3">
    <h1 class="text-2xl">Models</h1>
    <button
      type="button"
      class="press press-main"
      :aria-expanded="making"
      :disabled="!session.mayBench"
      @click="making = !making"
    >
      A machine nobody has seen
    </button>
    <a v-if="desk.query.data.value?.own.length" class="press" href="/api/models/export">Our own models as one file</a>
  </div>
  <LoadState
    :pending="desk.query.isPending.value"
    :error="desk.query.error.value"
    what="models"
    @retry="desk.query.refetch()"
  >
    <template v-if="desk.query.data.value">
      <KindForm v-if="making" class="mb-4" :view="desk.query.data.value" :desk="desk" />
      <p v-for="l in desk.query.data.value.leftOut" :key="l" class="panel mb-2 border-l-4 border-stop" role="alert">
        A file of the shop’s own does not fit the packs of today and is left out. {{ l }}
      </p>
      <ul class="panel divide-y divide-line py-1" data-testid="models">
        <li
          v-for="m in desk.query.data.value.models"
          :key="m.id"
          class="grid items-center gap-x-3 py-1 md:grid-cols-[1fr_260px_220px]"
        >
          <RouterLink
            class="inline-flex min-h-11 items-center font-bold underline underline-offset-3"
            :to="`/models/${m.id}`"
          >
            {{ m.name }}
          </RouterLink>
          <span class="text-soft">{{ m.kind }}</span>
          <span v-if="m.isOwn">
            <b>our own</b>, version {{ m.version
            }}<template v-if="m.defaults">, {{ m.defaults }} family defaults</template>
          </span>
          <span v-else class="text-soft">house pack, version {{ m.version }}</span>
        </li>
      </ul>
      <ImportPart v-if="session.person?.role === 'Owner'" class="mt-4" :desk="desk" />
    </template>
  </LoadState>
</template>
