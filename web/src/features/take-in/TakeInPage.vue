<script setup lang="ts">
import { nextTick } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/shared/state/useSession'
import FieldRow from '@/shared/ui/FieldRow.vue'
import ProblemNote from '@/shared/ui/ProblemNote.vue'
import ChoiceRow from './ChoiceRow.vue'
import CustomerPart from './CustomerPart.vue'
import KnownPart from './KnownPart.vue'
import MachinePart from './MachinePart.vue'
import OfferedPromise from './OfferedPromise.vue'
import { useTakeIn } from './useTakeIn'

const takeIn = useTakeIn()
const { form, complaints, slots, problem, busy, asking, canRetry, dismiss } = takeIn
const session = useSession()
const router = useRouter()
const yesNo = [
  { value: false, name: 'no' },
  { value: true, name: 'yes' },
]
const inks = [
  { value: 'maker', name: 'maker’s' },
  { value: 'compatible', name: 'compatible' },
  { value: 'refilled', name: 'refilled' },
  { value: 'addon', name: 'add-on supply' },
  { value: 'unknown', name: 'not known' },
]
const firmwares = [
  { value: 'on', name: 'on' },
  { value: 'off', name: 'off' },
  { value: 'unknown', name: 'not known' },
]
const papers = [
  { value: 'plain', name: 'plain' },
  { value: 'photo', name: 'photo' },
  { value: 'thick', name: 'thick or rag' },
  { value: 'unknown', name: 'not known' },
]

async function send() {
  const job = await takeIn.send()
  if (job) await router.push(`/bench/${job}/tag`)
  else await nextTick(() => document.querySelector<HTMLElement>('[aria-invalid=true]')?.focus())
}
/** A time as its field holds it, by the clock on the wall. */
function localTime(iso: string): string {
  const at = new Date(iso)
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}
</script>

<template>
  <div class="mb-3 flex flex-wrap items-center justify-between gap-2">
    <h1 class="text-2xl">Take a machine in</h1>
    <button type="button" class="press" @click="takeIn.clear">Clear the form</button>
  </div>
  <form class="grid items-start gap-3 lg:grid-cols-2" novalidate @submit.prevent="send">
    <MachinePart :take-in="takeIn" />
    <CustomerPart :take-in="takeIn" />
    <section class="panel space-y-3" aria-labelledby="complaint-title">
      <h2 id="complaint-title" class="text-xl">The complaint</h2>
      <FieldRow v-slot="f" label="In the customer’s own words" pointer="/words" :problem="problem">
        <textarea
          :id="f.id"
          v-model="form.words"
          class="field"
          rows="2"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        ></textarea>
      </FieldRow>
      <FieldRow
        v-slot="f"
        label="Which is it nearest to, or is it planned work?"
        pointer="/complaint"
        :problem="problem"
      >
        <select
          :id="f.id"
          v-model="form.complaint"
          class="field"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        >
          <option value="" disabled>Choose one</option>
          <option v-for="c in complaints" :key="c.id" :value="c.id">{{ c.name }} (“{{ c.says }}”)</option>
        </select>
      </FieldRow>
      <FieldRow v-if="slots.length" v-slot="f" label="Where" pointer="/slot" :problem="problem">
        <select :id="f.id" v-model.number="form.slot" class="field" :aria-invalid="f.invalid">
          <option :value="0">the machine as a whole, or not known</option>
          <option v-for="s in slots" :key="s.panel" :value="s.panel">{{ s.panel }} {{ s.ink }}</option>
        </select>
      </FieldRow>
      <FieldRow v-slot="f" label="What was tried already" pointer="/tried" :problem="problem">
        <input
          :id="f.id"
          v-model="form.tried"
          class="field"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow v-slot="f" label="Head cleanings tried, number" pointer="/cleansTried" :problem="problem">
        <input
          :id="f.id"
          v-model="form.cleansTried"
          type="number"
          min="0"
          inputmode="numeric"
          class="field w-28 font-mono"
          :aria-invalid="f.invalid"
        />
      </FieldRow>
    </section>
    <section class="panel space-y-3" aria-labelledby="use-title">
      <h2 id="use-title" class="text-xl">How it was used</h2>
      <ChoiceRow v-model="form.ink" label="Ink in use" :options="inks" />
      <p v-if="takeIn.machine.value?.lastInk && takeIn.machine.value.lastInk !== form.ink" class="text-wait">
        Last time it had: {{ takeIn.machine.value.lastInk }}.
      </p>
      <FieldRow v-slot="f" label="Idle, weeks" pointer="/idleWeeks" :problem="problem">
        <input
          :id="f.id"
          v-model="form.idleWeeks"
          type="number"
          min="0"
          inputmode="numeric"
          class="field w-28 font-mono"
          :aria-invalid="f.invalid"
        />
      </FieldRow>
      <ChoiceRow v-model="form.moved" label="Moved or tipped lately" :options="yesNo" />
      <ChoiceRow v-model="form.paper" label="Paper" :options="papers" />
      <ChoiceRow v-model="form.borderless" label="Prints borderless" :options="yesNo" />
      <ChoiceRow v-model="form.firmware" label="Firmware updates" :options="firmwares" />
      <FieldRow v-slot="f" label="Age, years" pointer="/ageYears" :problem="problem">
        <input
          :id="f.id"
          v-model="form.ageYears"
          type="number"
          min="0"
          inputmode="numeric"
          class="field w-28 font-mono"
          :aria-invalid="f.invalid"
        />
      </FieldRow>
    </section>
    <KnownPart :take-in="takeIn" />
    <section
      class="panel grid gap-3 sm:grid-cols-2 lg:col-span-2 lg:grid-cols-4"
      aria-label="Warranty, limit and promise"
    >
      <FieldRow v-slot="f" label="Warranty ends" pointer="/warrantyEnd" :problem="problem">
        <input
          :id="f.id"
          v-model="form.warrantyEnd"
          type="date"
          class="field"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow
        v-slot="f"
        :label="`Limit without asking, ${session.view?.currency ?? ''}`"
        pointer="/limit"
        :problem="problem"
      >
        <input
          :id="f.id"
          v-model="form.limit"
          inputmode="decimal"
          class="field font-mono"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <FieldRow v-slot="f" label="Promised for" pointer="/promise" :problem="problem">
        <input
          :id="f.id"
          v-model="form.promise"
          type="datetime-local"
          class="field"
          :aria-invalid="f.invalid"
          :aria-describedby="f.described"
        />
      </FieldRow>
      <OfferedPromise :model="form.modelId" :complaint="form.complaint" @take="form.promise = localTime($event)" />
      <FieldRow v-slot="f" label="Accessories left with it" pointer="/accessories" :problem="problem">
        <input
          :id="f.id"
          v-model="form.accessories"
          class="field"
          placeholder="mains lead, tray"
          :aria-invalid="f.invalid"
        />
      </FieldRow>
    </section>
    <div class="space-y-3 lg:col-span-2">
      <ProblemNote :problem="problem" :asking="asking" :can-retry="canRetry" @retry="send" @dismiss="dismiss" />
      <button type="submit" class="press press-main min-h-14 px-8 text-lg" :disabled="busy">
        Take it in, make its tag
      </button>
    </div>
  </form>
</template>
