import type { Craft } from '@/shared/crafts/craft'

export const sums: Craft = {
  name: 'sums',
  routes: [
    { path: '/sums', component: () => import('./SumsPage.vue'), meta: { title: 'Sums' } },
    { path: '/sums/:name', component: () => import('./SumsPage.vue'), props: true, meta: { title: 'Sums' } },
  ],
  benchLinks: [],
  benchCards: [],
  machineCards: [],
  bookKinds: [],
}
