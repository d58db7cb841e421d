import { byId, type Craft } from '@/shared/crafts/craft'

export const ink: Craft = {
  name: 'ink',
  routes: [
    {
      path: '/bench/:id(\\d+)/ink',
      component: () => import('./InkPage.vue'),
      props: byId,
      meta: { title: 'Ink and chips' },
    },
  ],
  benchLinks: [{ key: 'I', label: 'Ink and chips', does: 'ink and chips', page: 'ink' }],
  benchCards: [],
  machineCards: [],
  bookKinds: [],
}
