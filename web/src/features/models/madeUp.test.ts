import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { expect, vi } from 'vitest'
import type { Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useModels } from './useModels'

export const figure = {
  pointer: 'operations/clean-light/mlPerChannel',
  name: 'Light clean: ink of a channel',
  unit: 'ml',
  group: 'Operations',
  value: 0.2904,
  low: 0.215,
  high: 0.392,
  isDefault: true,
  seen: 0,
  most: 500,
}
export const view = {
  version: 3,
  models: [
    { id: 'marram-duo', name: 'Marram Duo', kind: 'x', isOwn: false, version: 9, defaults: 0, serialPrefix: '' },
  ],
  asked: [
    {
      axis: 'delivery',
      asks: 'Where does its ink come from?',
      options: [
        { id: 'carriage', name: 'cartridges on the carriage', follows: {} },
        { id: 'tank', name: 'tanks filled from bottles', follows: { cartridge: 'none', chips: 'count' } },
      ],
    },
    {
      axis: 'cartridge',
      asks: 'What is in a cartridge?',
      options: [{ id: 'none', name: 'no cartridge: tanks', follows: {} }],
    },
    {
      axis: 'chips',
      asks: 'What counts its ink?',
      options: [{ id: 'count', name: 'a count without chips', follows: {} }],
    },
  ],
  inks: ['black', 'cyan'],
  own: [],
  leftOut: [],
}
export const model = {
  version: 3,
  id: 'heath-solo',
  name: 'Heath Solo',
  kind: '2 tanks, piezo',
  isOwn: true,
  modelVersion: 4,
  packVersion: null as number | null,
  like: 'Pellow Six Tank',
  serialPrefix: 'HS',
  wasteAt: '',
  cautions: ['Carry it level.'],
  slots: [{ panel: 1, ink: 'black', inkKind: 'dye', cartridge: '', bay: '', fromFront: 1, fromBack: 1 }],
  figures: [
    figure,
    {
      ...figure,
      pointer: 'worth',
      name: 'The machine in good order',
      unit: 'money',
      isDefault: false,
      low: null,
      high: null,
    },
  ],
  help: [{ pointer: figure.pointer, name: figure.name, why: '28 of this shop’s jobs turned on such a figure.' }],
  codes: [{ code: 'H-1', says: 'Box full', complaint: '', reads: 'waste' }],
  codeReads: [{ id: 'waste', name: '“Waste full”' }],
  complaints: [],
  sheet: '',
  openings: 1,
  usualParts: [
    { name: 'Mains lead', view: 'back', way: 'unplugged', minutes: 0.5 },
    { name: 'Side cover', view: 'right', way: 'off', minutes: 1.5 },
  ],
  parts: [
    { id: 'pads', name: 'Pads', view: 'back', way: 'off', after: ['Rear panel'], seen: 1, minutes: 2, known: null },
  ],
  history: [],
}

export const measured = {
  key: 'operations/clean-light/mlPerChannel@9-20261128010000',
  pointer: 'operations/clean-light/mlPerChannel',
  name: 'Light clean: ink of a channel',
  unit: 'ml',
  value: 0.41,
  low: 0.36,
  high: 0.47,
  isFarOff: false,
  says: 'slot 1 weighed 60 to 58.7 g over 3 runs',
  at: '2026-11-28T01:00:00Z',
  machine: 7,
  serial: 'HS-1',
}

/** What was sent to the made-up server, and what it answers otherwise than usual. */
export const server: { posted: [string, Record<string, unknown>][]; answers: Record<string, () => Response> } = {
  posted: [],
  answers: {},
}

/** A made-up server that has nothing but the figures above. */
export function serveMadeUp() {
  localStorage.clear()
  server.posted = []
  server.answers = {}
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname
    if (request.method === 'POST') server.posted.push([path, await request.json()])
    const usual: Record<string, unknown> = {
      '/api/shop': { version: 3 },
      '/api/models': view,
      '/api/models/heath-solo': model,
      '/api/models/heath-solo/photos': [],
      '/api/models/heath-solo/parts': { version: 3, parts: [] },
    }
    return (server.answers[path] ?? (() => Response.json(usual[path] ?? {})))()
  })
}

const session = { person: { id: 1, name: 'Ines', role: 'Owner' }, now: '2026-03-30T09:00:00Z', token: 't' }

/** A part of the models’ pages, by a person who is signed in. */
export async function show(component: Component, props: (desk: never) => Record<string, unknown>): Promise<VueWrapper> {
  const pinia = createPinia()
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: { template: '<i />' } }],
  })
  const host = {
    components: { Shown: component },
    setup() {
      const all = useModels()
      return { props: props(Object.assign(all, { model: null }) as never) }
    },
    template: '<Shown v-bind="props" />',
  }
  const shown = mount(host, {
    global: { plugins: [pinia, router, [VueQueryPlugin, { queryClient: new QueryClient() }]] },
    attachTo: document.body,
  })
  const { useSession } = await import('@/shared/state/useSession')
  useSession(pinia).view = session as never
  await flushPromises()
  return shown
}
/** Presses what begins so. */
export const press = async (shown: VueWrapper, says: string) => {
  const button = shown.findAll('button').find((b) => b.text().startsWith(says))
  expect(button, `a press “${says}”`).toBeDefined()
  await button!.trigger(button!.attributes('type') === 'submit' ? 'submit' : 'click')
  await flushPromises()
}
