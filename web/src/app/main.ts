import { VueQueryPlugin, QueryClient } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { Refused } from '@/shared/api/client'
import { useSession } from '@/shared/state/useSession'
import { craftsKey } from '@/shared/crafts/craft'
import App from './App.vue'
import { crafts } from './crafts'
import './main.css'
import { keepTextOnEscape } from '@/shared/state/escape'
import { keepPagesOf, recallPages } from '@/shared/state/keptSession'
import { fetchPages, router, whenIdle } from './router'

keepTextOnEscape()
const app = createApp(App)
app.use(createPinia())
const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      // Without a network a page says so at once instead of loading for ever.
      networkMode: 'always',
      retry: (count, error) => !(error instanceof Refused && error.status >= 400 && error.status < 500) && count < 2,
    },
  },
})
queries.getQueryCache().config.onError = (error) => {
  if (error instanceof Refused && error.endsSignIn) useSession().ended = true
}
app.use(VueQueryPlugin, { queryClient: queries })
useSession().recalls = () => recallPages(queries)
app.provide(craftsKey, crafts)
app.use(router)
app.mount('#app')
// The other pages come while nothing else happens, so that they open without a network too.
void router.isReady().then(() => {
  keepPagesOf(queries)
  whenIdle(fetchPages)
  // The shell opens without a server too; where a browser allows no worker, an open page still goes on.
  if (import.meta.env.PROD && 'serviceWorker' in navigator)
    whenIdle(() => void navigator.serviceWorker.register('/sw.js').catch(() => undefined))
})
