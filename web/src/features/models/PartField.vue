<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { ProblemBody } from '@/shared/api/client'
import { typedNumber } from '@/shared/format'
import FieldRow from '@/shared/ui/FieldRow.vue'
import { bare, isGroup, isList, isNamed, oneMore, type PartRule, type PartTree, type PartValue } from './partRule'

const props = defineProps<{
  /** What the packs ask of it. */
  rule: PartRule
  /** What it is called where its rule has no title. */
  name: string
  /** Its place, for problems. */
  pointer: string
  /** What does not fit. */
  problem: ProblemBody | null
  /** Whether it has to be told. */
  needed: boolean
}>()
const value = defineModel<PartValue>()
const label = computed(() => `${props.rule.title ?? props.name}${props.needed ? '' : ', if any'}`)
const tree = computed(() => (typeof value.value === 'object' ? (value.value as PartTree) : {}))
const list = computed(() => (Array.isArray(value.value) ? value.value : []))
const isNumber = (rule?: PartRule) => rule?.type === 'number' || rule?.type === 'integer'
// What is no number yet is kept as it was typed, and said to be none.
const numberOf = (text: string) => {
  const number = typedNumber(text)
  return number === null ? undefined : Number.isNaN(number) ? text : number
}
function plain(text: string): PartValue {
  if (props.rule.type !== 'array') return isNumber(props.rule) ? numberOf(text) : text === '' ? undefined : text
  const told = text.split(',').map((t) => t.trim())
  const parts = told.filter(Boolean).map((t) => (isNumber(props.rule.items) ? numberOf(t) : t))
  return parts.length || props.needed ? parts : undefined
}
const written = (v: PartValue) => (Array.isArray(v) ? v.join(', ') : v === undefined ? '' : String(v))
const typed = ref(written(value.value))
watch(value, (now) => {
  if (JSON.stringify(plain(typed.value)) !== JSON.stringify(now)) typed.value = written(now)
})
function put(name: string, of: PartValue) {
  const next = { ...tree.value, [name]: of }
  if (of === undefined) delete next[name]
  value.value = next
}
const putAt = (at: number, of: PartValue) => (value.value = list.value.map((v, i) => (i === at ? of : v)))
const named = ref('')
function addNamed() {
  const rule = props.rule.additionalProperties
  if (named.value.trim() && rule) put(named.value.trim(), bare(rule))
  named.value = ''
}
const titleOf = (v: PartValue, at: number) =>
  `${(v && typeof v === 'object' && !Array.isArray(v) && (v.name as string)) || `number ${at + 1}`}`
const found = computed(() => props.problem?.problems.find((p) => p.pointer === props.pointer) ?? null)
const isLeaf = computed(() => !isGroup(props.rule) && !isList(props.rule) && !isNamed(props.rule))
</script>

<template>
  <div v-if="isLeaf" class="min-w-40 flex-1 basis-48">
    <FieldRow v-slot="f" :label="label" :pointer="pointer" :problem="problem" :help="rule.description">
      <select
        v-if="rule.enum"
        :id="f.id"
        class="field"
        :aria-invalid="f.invalid"
        :value="value ?? ''"
        @change="value = ($event.target as HTMLSelectElement).value || undefined"
      >
        <option v-if="!needed" value="">Not told</option>
        <option v-for="o in rule.enum" :key="o" :value="o">{{ rule.says?.[o] ?? o.replaceAll('-', ' ') }}</option>
      </select>
      <select
        v-else-if="rule.type === 'boolean'"
        :id="f.id"
        class="field"
        :value="String(value ?? '')"
        @change="value = { true: true, false: false }[($event.target as HTMLSelectElement).value]"
      >
        <option v-if="!needed" value="">Not told</option>
        <option value="true">Yes</option>
        <option value="false">No</option>
      </select>
      <input
        v-else
        :id="f.id"
        v-model="typed"
        class="field"
        autocomplete="off"
        :inputmode="isNumber(rule) ? 'decimal' : undefined"
        :aria-invalid="f.invalid"
        :aria-describedby="f.described"
        :placeholder="rule.type === 'array' ? 'one after another, with commas' : undefined"
        @input="value = plain(typed)"
      />
    </FieldRow>
  </div>
  <fieldset v-else class="w-full border-l-4 border-line pl-3">
    <legend class="font-bold" :class="pointer === '/value' ? 'sr-only' : ''">{{ label }}</legend>
    <p v-if="rule.description" class="text-sm text-soft">{{ rule.description }}</p>
    <p v-if="found" class="text-stop">{{ found.title }}. {{ found.detail }} {{ found.hint }}</p>
    <template v-if="isGroup(rule)">
      <button v-if="!needed && value === undefined" type="button" class="press" @click="value = bare(rule)">
        Tell it<span class="sr-only"> of {{ rule.title }}</span>
      </button>
      <div v-else class="flex flex-wrap items-end gap-2">
        <PartField
          v-for="(of, key) in rule.properties"
          :key="key"
          :rule="of"
          :name="String(key)"
          :pointer="`${pointer}/${key}`"
          :problem="problem"
          :needed="rule.required?.includes(String(key)) ?? false"
          :model-value="tree[key]"
          @update:model-value="put(String(key), $event)"
        />
        <button v-if="!needed" type="button" class="press" @click="value = undefined">
          Not told<span class="sr-only"> of {{ rule.title }}</span>
        </button>
      </div>
    </template>
    <template v-else-if="isList(rule)">
      <div v-for="(v, at) in list" :key="at" class="mb-2 border-b border-line pb-2">
        <PartField
          :rule="{ ...rule.items!, title: titleOf(v, at) }"
          :name="titleOf(v, at)"
          :pointer="`${pointer}/${at}`"
          :problem="problem"
          needed
          :model-value="v"
          @update:model-value="putAt(at, $event)"
        />
        <button type="button" class="press mt-1" @click="value = list.filter((_, i) => i !== at)">
          Take away {{ titleOf(v, at) }}
        </button>
      </div>
      <button type="button" class="press" @click="value = [...list, oneMore(rule.items!, list)]">
        One more<span class="sr-only"> of {{ rule.title }}</span>
      </button>
    </template>
    <template v-else>
      <div v-for="(v, key) in tree" :key="key" class="flex flex-wrap items-end gap-2">
        <PartField
          :rule="rule.additionalProperties || {}"
          :name="String(key)"
          :pointer="`${pointer}/${key}`"
          :problem="problem"
          needed
          :model-value="v"
          @update:model-value="put(String(key), $event)"
        />
        <button type="button" class="press" @click="put(String(key), undefined)">Take away {{ key }}</button>
      </div>
      <div class="mt-1 flex flex-wrap items-end gap-2">
        <label>
          <span class="block font-bold">Name of one more</span>
          <input v-model="named" class="field w-40" autocomplete="off" @keydown.enter.prevent="addNamed" />
        </label>
        <button type="button" class="press" :disabled="!named.trim()" @click="addNamed">
          Add<span class="sr-only"> to {{ rule.title }}</span>
        </button>
      </div>
    </template>
  </fieldset>
</template>
