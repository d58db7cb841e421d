<script setup lang="ts">
import type { Bench } from './useJob'

defineProps<{
  /** The job. */
  job: Bench
}>()
</script>

<template>
  <details class="panel">
    <summary class="min-h-11 cursor-pointer py-2 font-bold">Slots, codes and cautions of this machine</summary>
    <ul v-if="job.machineCautions.length" class="mb-3 border-l-4 border-stop pl-3">
      <li v-for="c in job.machineCautions" :key="c" class="font-bold text-stop">{{ c }}</li>
    </ul>
    <div class="grid gap-4 lg:grid-cols-2">
      <table class="w-full text-left">
        <caption class="text-left font-bold">
          Slots: which one, seen from where
        </caption>
        <thead>
          <tr class="border-b border-line">
            <th scope="col">On the panel</th>
            <th scope="col">Ink</th>
            <th scope="col">From the front</th>
            <th scope="col">From the back</th>
            <th scope="col">Number</th>
          </tr>
        </thead>
        <tbody class="font-mono">
          <tr v-for="s in job.slots" :key="s.panel" class="border-b border-line">
            <td>{{ s.panel }}</td>
            <td class="font-sans">
              <span
                class="mr-1.5 inline-block size-3 rounded-full border border-edge"
                :style="{ background: s.colour }"
              />{{ s.ink }}
            </td>
            <td>{{ s.fromFront }} {{ s.bay }}</td>
            <td>{{ s.fromBack }} {{ s.bay }}</td>
            <td>{{ s.cartridge }}</td>
          </tr>
        </tbody>
      </table>
      <dl>
        <template v-for="c in job.codes" :key="c.code">
          <dt class="font-mono font-bold">{{ c.code }} · {{ c.says }}</dt>
          <dd class="mb-2 text-soft">{{ c.means }}</dd>
        </template>
      </dl>
    </div>
  </details>
</template>
