<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Api } from '@/shared/api/client'
import { typedNumber } from '@/shared/format'
import FieldRow from '@/shared/ui/FieldRow.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import type { useModels } from './useModels'

const props = defineProps<{
  /** Models, and what is asked. */
  view: Api<'ModelsView'>
  /** Who can be written to. */
  desk: ReturnType<typeof useModels>
}>()
const router = useRouter()
const empty = {
  maker: '',
  name: '',
  serialPrefix: '',
  like: '',
  worth: '',
  axes: {} as Record<string, string>,
  inks: [] as string[],
}
const form = useStorage('side-bench-kind', { ...empty }, undefined, { mergeDefaults: true })
// A second black and a second anything are pressed again; each press adds one at the end of the panel's order.
const four = ['black', 'cyan', 'magenta', 'yellow']
const missing = computed(
  () => props.view.asked.filter((q) => !form.value.axes[q.axis]).length + (form.value.inks.length ? 0 : 1),
)

function answer(axis: string, option: string) {
  // What follows from an answer is filled in, and can be changed.
  const follows = props.view.asked.find((q) => q.axis === axis)?.options.find((o) => o.id === option)?.follows
  form.value.axes = { ...form.value.axes, [axis]: option, ...follows }
}
async function make() {
  const f = form.value
  const made = await props.desk.make({
    maker: f.maker,
    name: f.name,
    serialPrefix: f.serialPrefix,
    axes: f.axes,
    inks: f.inks,
    worth: f.worth === '' ? null : typedNumber(String(f.worth)),
    like: f.like,
  })
  if (!made) return
  const name = `${f.maker.trim()} ${f.name.trim()}`
  const model = props.desk.query.data.value?.models.find((m) => m.name === name)
  form.value = { ...empty, axes: {}, inks: [] }
  if (!model) return
  // A take-in that waits for it goes on with it.
  const waiting = JSON.parse(localStorage.getItem('side-bench-take-in') ?? '{}')
  if (new URLSearchParams(location.search).has('new')) {
    localStorage.setItem('side-bench-take-in', JSON.stringify({ ...waiting, modelId: model.id }))
    await router.push('/take-in')
  } else await router.push(`/models/${model.id}`)
}
</script>

<template>
  <form class="panel space-y-4" data-testid="kind" @submit.prevent="make">
    <p>A dozen answers make a model that works; what it does not know is taken from its family, and marked.</p>
    <ProblemNote
      :problem="desk.problem.value"
      :asking="desk.asking.value"
      :can-retry="desk.canRetry.value"
      @retry="desk.retry"
      @dismiss="desk.dismiss"
    />
    <div class="grid gap-3 md:grid-cols-3">
      <FieldRow v-slot="f" label="Maker" pointer="/maker" :problem="desk.problem.value">
        <input
          :id="f.id"
          v-model="form.maker"
          class="field"
          autocomplete="off"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow v-slot="f" label="Name of the model" pointer="/name" :problem="desk.problem.value">
        <input
          :id="f.id"
          v-model="form.name"
          class="field"
          autocomplete="off"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow
        v-slot="f"
        label="How its serials begin, if you know"
        pointer="/serialPrefix"
        :problem="desk.problem.value"
      >
        <input
          :id="f.id"
          v-model="form.serialPrefix"
          class="field font-mono"
          autocomplete="off"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
    </div>
    <fieldset v-for="q in view.asked" :key="q.axis" :data-axis="q.axis">
      <legend class="mb-1 font-bold">{{ q.asks }}</legend>
      <div class="flex flex-wrap gap-1.5">
        <button
          v-for="o in q.options"
          :key="o.id"
          type="button"
          class="press"
          :class="form.axes[q.axis] === o.id ? 'press-main' : ''"
          :aria-pressed="form.axes[q.axis] === o.id"
          @click="answer(q.axis, o.id)"
        >
          {{ o.name }}
        </button>
      </div>
      <p
        v-for="p in desk.problem.value?.problems.filter((x) => x.pointer === `/axes/${q.axis}`) ?? []"
        :key="p.code"
        class="mt-1 text-stop"
      >
        {{ p.detail }} {{ p.hint }}
      </p>
    </fieldset>
    <fieldset data-axis="inks">
      <legend class="mb-1 font-bold">Which inks, in the order of the panel?</legend>
      <div class="flex flex-wrap gap-1.5">
        <button type="button" class="press" @click="form.inks = [...four]">black, cyan, magenta, yellow</button>
        <button v-for="i in view.inks" :key="i" type="button" class="press" @click="form.inks = [...form.inks, i]">
          + {{ i }}
        </button>
        <button v-if="form.inks.length" type="button" class="press" @click="form.inks = form.inks.slice(0, -1)">
          take the last away
        </button>
      </div>
      <p class="mt-1" data-testid="kind-inks">
        {{ form.inks.length ? form.inks.map((i, n) => `${n + 1} ${i}`).join(', ') : 'None yet.' }}
      </p>
    </fieldset>
    <div class="grid gap-3 md:grid-cols-2">
      <FieldRow
        v-slot="f"
        label="What is it worth in good order, if you know"
        pointer="/worth"
        :problem="desk.problem.value"
      >
        <input :id="f.id" v-model="form.worth" class="field" inputmode="decimal" autocomplete="off" />
      </FieldRow>
      <FieldRow v-slot="f" label="Is it like one you know?" pointer="/like" :problem="desk.problem.value">
        <select :id="f.id" v-model="form.like" class="field">
          <option value="">No: take the nearest by the answers</option>
          <option v-for="m in view.models" :key="m.id" :value="m.id">{{ m.name }}</option>
        </select>
      </FieldRow>
    </div>
    <button type="submit" class="press press-main" :disabled="desk.busy.value || missing > 0">
      {{ missing ? `${missing} ${missing === 1 ? 'answer' : 'answers'} to go` : 'Make the model' }}
    </button>
  </form>
</template>
