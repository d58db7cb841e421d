import { defineAsyncComponent } from 'vue'
import { byId, type Craft } from '@/shared/crafts/craft'

export const stripDown: Craft = {
  name: 'strip-down',
  routes: [
    {
      path: '/bench/:id(\\d+)/opening',
      component: () => import('./OpeningPage.vue'),
      props: byId,
      meta: { title: 'Opening up' },
    },
    {
      path: '/guides/template/:model',
      component: () => import('./TemplatePage.vue'),
      props: true,
      meta: { title: 'Exit hole' },
    },
    {
      path: '/guides/steps/:id',
      component: () => import('./GuidePaper.vue'),
      props: true,
      meta: { title: 'Guide' },
    },
  ],
  benchLinks: [{ key: 'O', label: 'Opening up', does: 'opening up', page: 'opening' }],
  benchCards: [],
  machineCards: [defineAsyncComponent(() => import('./PartsOfMachine.vue'))],
  bookKinds: [{ id: 'guide', name: 'Guides', to: (id) => `/guides/steps/${id}` }],
}
