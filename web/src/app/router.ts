import { createRouter, createWebHistory } from 'vue-router'
import { byId } from '@/shared/crafts/craft'
import { useSession } from '@/shared/state/useSession'
import { crafts } from './crafts'
import TodayPage from '@/features/today/TodayPage.vue'

/** What is named stands on the page once it is loaded: until then it is waited for, as long as somebody would. */
async function whenThere(hash: string) {
  const until = Date.now() + 3000
  while (!document.getElementById(hash.slice(1)) && Date.now() < until)
    await new Promise((done) => requestAnimationFrame(done))
  return { el: hash, top: 90 }
}

export const router = createRouter({
  history: createWebHistory(),
  // A new page begins at its top; back leads to where one was; the same page stays where it is, or goes to what is named.
  scrollBehavior: (to, from, saved) =>
    saved ?? (to.hash ? whenThere(to.hash) : to.path === from.path ? undefined : { top: 0 }),
  routes: [
    { path: '/', redirect: '/today' },
    {
      path: '/sign-in',
      component: () => import('@/features/accounts/SignInPage.vue'),
      meta: { open: true, bare: true },
    },
    { path: '/today', component: TodayPage, meta: { title: 'Today' } },
    { path: '/take-in', component: () => import('@/features/take-in/TakeInPage.vue'), meta: { title: 'Take in' } },
    { path: '/bench', component: () => import('@/features/bench/BenchIndex.vue'), meta: { title: 'Bench' } },
    {
      path: '/bench/:id(\\d+)',
      component: () => import('@/features/bench/BenchPage.vue'),
      props: byId,
      meta: { title: 'Bench' },
    },
    {
      path: '/bench/:id(\\d+)/tag',
      component: () => import('@/features/take-in/TagPage.vue'),
      props: byId,
      meta: { title: 'Tag' },
    },
    {
      path: '/bench/:id(\\d+)/hand-over',
      component: () => import('@/features/hand-over/HandOverPage.vue'),
      props: byId,
      meta: { title: 'Hand-over' },
    },
    { path: '/records', component: () => import('@/features/records/RecordsPage.vue'), meta: { title: 'Records' } },
    {
      path: '/records/:id(\\d+)',
      component: () => import('@/features/records/MachinePage.vue'),
      props: byId,
      meta: { title: 'Record' },
    },
    { path: '/shelf', component: () => import('@/features/shelf/ShelfPage.vue'), meta: { title: 'Shelf' } },
    { path: '/guides', component: () => import('@/features/guides/GuidesPage.vue'), meta: { title: 'Guides' } },
    { path: '/guides/words', component: () => import('@/features/guides/WordsPage.vue'), meta: { title: 'Words' } },
    {
      path: '/guides/causes/:id',
      component: () => import('@/features/guides/CausePage.vue'),
      props: true,
      meta: { title: 'Cause' },
    },
    {
      path: '/guides/codes/:model/:code',
      component: () => import('@/features/guides/CodePage.vue'),
      props: true,
      meta: { title: 'Code' },
    },
    { path: '/practice', component: () => import('@/features/practice/PracticePage.vue'), meta: { title: 'Practice' } },
    {
      path: '/practice/minutes',
      component: () => import('@/features/practice/MinutesPage.vue'),
      meta: { title: 'Minutes' },
    },
    { path: '/practice/hours', component: () => import('@/features/practice/HoursPage.vue'), meta: { title: 'Hours' } },
    {
      path: '/practice/odds',
      component: () => import('@/features/practice/OddsPage.vue'),
      meta: { title: 'How the odds have done' },
    },
    { path: '/people', component: () => import('@/features/accounts/PeoplePage.vue'), meta: { title: 'People' } },
    { path: '/me', component: () => import('@/features/accounts/MePage.vue'), meta: { title: 'Your sign-in' } },
    ...crafts.flatMap((craft) => craft.routes),
    { path: '/:rest(.*)*', component: () => import('./NotFoundPage.vue'), meta: { title: 'Not found' } },
  ],
})

router.beforeEach(async (to) => {
  const session = useSession()
  if (!session.view) {
    try {
      await session.load()
    } catch {
      if (await session.recall()) return to.meta.open ? '/today' : true
      return to.meta.open ? true : { path: '/sign-in', query: { to: to.fullPath } }
    }
  }
  if (!session.person && !to.meta.open) return { path: '/sign-in', query: { to: to.fullPath } }
})

router.afterEach((to) => {
  document.title = to.meta.title ? `${String(to.meta.title)} · Side Bench` : 'Side Bench'
})

/** Fetches the code of every page that is not here yet. */
export function fetchPages() {
  for (const { components } of router.getRoutes()) {
    const page = components?.default
    if (typeof page === 'function' && !('setup' in page)) void (page as () => Promise<unknown>)().catch(() => undefined)
  }
}

/** Does something when the browser has nothing else to do. */
export function whenIdle(does: () => void) {
  if ('requestIdleCallback' in window) window.requestIdleCallback(does)
  else setTimeout(does, 2000)
}
