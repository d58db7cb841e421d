import { byId, type Craft } from '@/shared/crafts/craft'

export const nozzles: Craft = {
  name: 'nozzles',
  routes: [
    {
      path: '/bench/:id(\\d+)/sheets',
      component: () => import('./SheetPage.vue'),
      props: byId,
      meta: { title: 'Nozzle sheets' },
    },
    {
      path: '/guides/sheets/:id',
      component: () => import('./BlankSheetPage.vue'),
      props: true,
      meta: { title: 'Blank sheet' },
    },
  ],
  benchLinks: [{ key: 'S', label: 'Nozzle sheets', does: 'nozzle sheets', page: 'sheets' }],
  benchCards: [],
  machineCards: [],
  bookKinds: [{ id: 'sheet', name: 'Blank sheets', to: (id) => `/guides/sheets/${id}` }],
}
