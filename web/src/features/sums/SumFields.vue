<script setup lang="ts">
import { begun, type SumField, type Typed } from './asked'

const props = defineProps<{
  /** The fields. */
  fields: SumField[]
  /** Where they stand, as the problems name it. */
  path: string
  /** What is wrong, by place. */
  wrong: Record<string, string>
}>()
const typed = defineModel<Typed>({ required: true })
const set = (name: string, value: string | boolean | Typed[]) => (typed.value = { ...typed.value, [name]: value })
const pieces = (name: string) => typed.value[name] as Typed[]
const place = (f: SumField) => `${props.path}/${f.name}`
const id = (f: SumField) => `sum${place(f).replaceAll('/', '-')}`
</script>

<template>
  <div class="grid gap-2">
    <template v-for="f in fields" :key="f.name">
      <fieldset v-if="f.kind === 'list'" class="rounded border border-line p-2">
        <legend class="px-1 font-bold">{{ f.label }}</legend>
        <div
          v-for="(piece, i) in pieces(f.name)"
          :key="i"
          class="mb-2 flex flex-wrap items-end gap-2 border-b border-line pb-2"
        >
          <SumFields
            class="min-w-0 flex-1 basis-60"
            :fields="f.parts"
            :path="`${place(f)}/${i}`"
            :wrong="wrong"
            :model-value="piece"
            @update:model-value="
              set(
                f.name,
                pieces(f.name).map((p, n) => (n === i ? $event : p)),
              )
            "
          />
          <button
            type="button"
            class="press"
            :aria-label="`Take out ${f.label.toLowerCase()} ${i + 1}`"
            @click="
              set(
                f.name,
                pieces(f.name).filter((_, n) => n !== i),
              )
            "
          >
            Take out
          </button>
        </div>
        <button type="button" class="press" @click="set(f.name, [...pieces(f.name), begun(f.parts, new Date())])">
          One more
        </button>
      </fieldset>
      <label v-else-if="f.kind === 'flag'" class="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          class="h-6 w-6"
          :checked="typed[f.name] === true"
          @change="set(f.name, ($event.target as HTMLInputElement).checked)"
        />
        {{ f.label }}
      </label>
      <div
        v-else
        class="grid items-center gap-2"
        :class="
          f.kind === 'moment'
            ? 'sm:grid-cols-[minmax(0,1fr)_minmax(7rem,15rem)]'
            : 'grid-cols-[minmax(0,1fr)_minmax(7rem,11rem)]'
        "
      >
        <label :for="id(f)"
          >{{ f.label }}<span v-if="f.unit" class="text-soft">, {{ f.unit }}</span
          ><span v-if="f.kind === 'names' || f.kind === 'wholes'" class="text-soft"> (with commas)</span
          ><span v-if="!f.needed" class="text-soft"> (may be left out)</span></label
        >
        <select
          v-if="f.kind === 'word'"
          :id="id(f)"
          class="field"
          :value="typed[f.name]"
          @change="set(f.name, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="w in f.words" :key="w" :value="w">{{ w }}</option>
        </select>
        <input
          v-else
          :id="id(f)"
          class="field font-mono"
          :type="f.kind === 'moment' ? 'datetime-local' : 'text'"
          :inputmode="f.kind === 'number' || f.kind === 'whole' ? 'decimal' : undefined"
          autocomplete="off"
          :value="typed[f.name]"
          :aria-invalid="place(f) in wrong"
          :aria-describedby="place(f) in wrong ? `${id(f)}-wrong` : undefined"
          @input="set(f.name, ($event.target as HTMLInputElement).value)"
        />
        <p v-if="place(f) in wrong" :id="`${id(f)}-wrong`" class="col-span-full text-stop">{{ wrong[place(f)] }}</p>
      </div>
    </template>
  </div>
</template>
