import type { Craft } from '@/shared/crafts/craft'

/** Models: the house's, and those of the shop's own. */
export const models: Craft = {
  name: 'models',
  routes: [
    { path: '/models', component: () => import('./ModelsPage.vue'), meta: { title: 'Models' } },
    {
      path: '/models/:id',
      component: () => import('./ModelPage.vue'),
      props: true,
      meta: { title: 'Model' },
    },
  ],
  benchLinks: [],
  benchCards: [],
  machineCards: [],
  bookKinds: [],
}
