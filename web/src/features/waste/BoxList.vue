<script setup lang="ts">
import { day, withUnit } from '@/shared/format'
import type { WasteBox } from './useWaste'

defineProps<{
  /** Boxes with a tag. */
  boxes: WasteBox[]
}>()
const stands: Record<string, string> = { used: 'out, with ink', drying: 'drying', dry: 'dry, ready', gone: 'gone' }
const stand = (b: WasteBox) =>
  b.stand !== 'in' ? (b.netG === null && b.stand === 'used' ? 'out, not weighed' : stands[b.stand]) : `in ${b.serial}`
</script>

<template>
  <section class="panel p-3" aria-labelledby="boxes-title" data-testid="waste-boxes">
    <div class="flex flex-wrap items-center gap-2">
      <h2 id="boxes-title" class="flex-1 text-base">Boxes with a tag</h2>
      <slot name="add" />
    </div>
    <p v-if="!boxes.length" class="text-soft">
      None is tagged yet. Two in rotation, one in and one dry, keep a busy machine running.
    </p>
    <ul v-else class="divide-y divide-line">
      <li v-for="b in boxes" :key="b.tag" class="flex flex-wrap items-center gap-x-3 py-2">
        <b class="font-mono">{{ b.tag }}</b>
        <span class="min-w-0 flex-1 basis-48">
          <b :class="b.stand === 'dry' ? 'text-go' : ''">{{ b.here ? 'in here' : stand(b) }}</b>
          <template v-if="b.netG !== null && b.stand !== 'gone'">
            · {{ withUnit(b.netG, 'g') }} over its {{ withUnit(b.tareG, 'g') }} dry</template
          >
          <template v-if="b.safeG !== null"> · tried: used to {{ withUnit(b.safeG, 'g') }}</template>
          <span class="block text-sm text-soft"
            >{{ b.next }} {{ b.dryOn ? `Dry about ${day(b.dryOn)}.` : '' }} {{ b.model }} · washed {{ b.washes }}×,
            {{ b.resets }} reset{{ b.resets === 1 ? '' : 's' }}</span
          >
        </span>
        <slot name="tell" :box="b" />
        <details class="basis-full">
          <summary class="inline-flex min-h-11 cursor-pointer items-center underline underline-offset-3">
            Its life<span class="sr-only">: {{ b.tag }}</span>
          </summary>
          <ul>
            <li v-for="(m, i) in b.life" :key="i" class="text-sm">
              <span class="text-soft">{{ day(m.at) }}</span> {{ m.says }}
            </li>
          </ul>
        </details>
      </li>
    </ul>
  </section>
</template>
