import { byId, type Craft } from '@/shared/crafts/craft'

export const headCare: Craft = {
  name: 'head-care',
  routes: [
    {
      path: '/bench/:id(\\d+)/head-care',
      component: () => import('./HeadCarePage.vue'),
      props: byId,
      meta: { title: 'Head care' },
    },
  ],
  benchLinks: [{ key: 'H', label: 'Head care', does: 'head care', page: 'head-care' }],
  benchCards: [],
  machineCards: [],
  bookKinds: [],
}
