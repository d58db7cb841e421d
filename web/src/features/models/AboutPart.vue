<script setup lang="ts">
import { ref, watch } from 'vue'
import FieldRow from '@/shared/ui/FieldRow.vue'
import type { ModelDesk, ModelPageView } from './useModels'

const props = defineProps<{
  /** The model. */
  model: ModelPageView
  /** Who can be written to. */
  desk: ModelDesk
  /** Whether this person may change it. */
  mayTeach: boolean
}>()
const open = ref(false)
const form = ref({ serialPrefix: '', wasteAt: '', cautions: '', slots: [] as ModelPageView['slots'] })
watch(
  () => [props.model.modelVersion, open.value],
  () => {
    const m = props.model
    form.value = {
      serialPrefix: m.serialPrefix,
      wasteAt: m.wasteAt,
      cautions: m.cautions.join('\n'),
      slots: m.slots.map((s) => ({ ...s })),
    }
  },
  { immediate: true },
)
async function keep() {
  const f = form.value
  const cautions = f.cautions
    .split('\n')
    .map((c) => c.trim())
    .filter(Boolean)
  if (
    await props.desk.about({
      model: props.model.id,
      serialPrefix: f.serialPrefix,
      wasteAt: f.wasteAt,
      cautions,
      slots: f.slots,
    })
  )
    open.value = false
}
</script>

<template>
  <section class="panel" aria-labelledby="about-title">
    <div class="flex items-center gap-3">
      <h2 id="about-title" class="flex-1 text-xl">Slots and cautions</h2>
      <button v-if="mayTeach" type="button" class="press" :aria-expanded="open" @click="open = !open">Change</button>
    </div>
    <template v-if="!open">
      <ul>
        <li v-for="s in model.slots" :key="s.panel" class="border-t border-line py-1">
          <b>{{ s.panel }}</b> {{ s.ink }}, {{ s.inkKind }}<template v-if="s.cartridge">, {{ s.cartridge }}</template
          ><span class="text-sm text-soft">
            {{ s.bay ? `, bay ${s.bay}` : '' }}, {{ s.fromFront }} from the left in front, {{ s.fromBack }} from
            behind</span
          >
        </li>
      </ul>
      <p v-if="model.serialPrefix">Serials begin {{ model.serialPrefix }}.</p>
      <p v-if="model.wasteAt">Waste store: {{ model.wasteAt }}</p>
      <ul class="list-disc pl-6">
        <li v-for="c in model.cautions" :key="c">{{ c }}</li>
      </ul>
    </template>
    <form v-else class="mt-2 space-y-2" @submit.prevent="keep">
      <FieldRow v-slot="f" label="How its serials begin" pointer="/serialPrefix" :problem="desk.problem.value">
        <input :id="f.id" v-model="form.serialPrefix" class="field font-mono" :aria-invalid="f.invalid" />
      </FieldRow>
      <FieldRow v-slot="f" label="Where its waste store is" pointer="/wasteAt" :problem="desk.problem.value">
        <input :id="f.id" v-model="form.wasteAt" class="field" />
      </FieldRow>
      <FieldRow v-slot="f" label="Cautions, a line each" pointer="/cautions" :problem="desk.problem.value">
        <textarea :id="f.id" v-model="form.cautions" class="field" rows="3" />
      </FieldRow>
      <fieldset v-for="s in form.slots" :key="s.panel" class="flex flex-wrap items-end gap-2 border-t border-line pt-1">
        <legend class="font-bold">Slot {{ s.panel }}</legend>
        <label>Ink <input v-model="s.ink" class="field w-36" /></label>
        <label
          >Kind
          <select v-model="s.inkKind" class="field w-auto">
            <option v-for="k in ['dye', 'pigment', 'transfer', 'white']" :key="k">{{ k }}</option>
          </select></label
        >
        <label>Number <input v-model="s.cartridge" class="field w-28" /></label>
        <label>Bay <input v-model="s.bay" class="field w-24" /></label>
        <label>Holds, ml <input v-model.number="s.holdsMl" inputmode="decimal" class="field w-24" /></label>
        <label>From the left <input v-model.number="s.fromFront" type="number" min="1" class="field w-20" /></label>
        <label>From behind <input v-model.number="s.fromBack" type="number" min="1" class="field w-20" /></label>
      </fieldset>
      <button type="submit" class="press press-main" :disabled="desk.busy.value">Keep</button>
    </form>
  </section>
</template>
