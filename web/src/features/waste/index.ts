import { byId, type Craft } from '@/shared/crafts/craft'

export const waste: Craft = {
  name: 'waste',
  routes: [
    {
      path: '/bench/:id(\\d+)/waste',
      component: () => import('./WastePage.vue'),
      props: byId,
      meta: { title: 'Waste' },
    },
    { path: '/waste', component: () => import('./AllWastePage.vue'), meta: { title: 'Waste of all machines' } },
  ],
  benchLinks: [{ key: 'U', label: 'Waste', does: 'waste', page: 'waste' }],
  benchCards: [],
  machineCards: [],
  bookKinds: [],
}
