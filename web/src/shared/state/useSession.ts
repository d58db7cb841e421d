import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { keepPerson, personKept } from './keptSession'
import { api, dataOf, keepToken, signedIn, type Api } from '@/shared/api/client'

/** What was typed of customers and not sent stays for whoever typed it, not for the next person at this browser. */
export const drafts = ['side-bench-take-in', 'side-bench-take-in-key']
const forgetDrafts = () => drafts.forEach((name) => localStorage.removeItem(name))

/** Who is signed in. `ended` is set when a request finds the sign-in gone, so that the page can ask again in place. */
export const useSession = defineStore('session', () => {
  const view = ref<Api<'SessionView'> | null>(null)
  const ended = ref(false)
  /** Server time minus this browser's, ms: clocks are told by the server. */
  const clockOffset = ref(0)

  let takes = 0

  function take(next: Api<'SessionView'>) {
    takes++
    keepToken(next.token)
    clockOffset.value = new Date(next.now).getTime() - Date.now()
    view.value = next
    void keepPerson(next)
    if (!next.person) return
    ended.value = false
    signedIn()
  }

  // Who signed in or out while a look was on its way is newer than what it says.
  async function look() {
    const before = takes
    const next = await dataOf(api.GET('/api/session'))
    return takes === before ? next : null
  }

  async function load() {
    const next = await look()
    if (next) take(next)
  }

  /** After a while without a server: a sign-in that ended meanwhile is asked for in place, and the page stays with what was typed on it. */
  async function renew() {
    const next = await look()
    if (!next) return
    if (next.person || !view.value?.person) return take(next)
    keepToken(next.token)
    ended.value = true
  }

  /** Who was signed in here last, while the server is away: their pages as they were last seen. */
  async function recall() {
    const kept = await personKept()
    if (!kept?.person) return false
    await recalls.value()
    view.value = kept
    return true
  }

  async function signIn(name: string, password: string) {
    // A fresh token, and no more: the page stays as it is, with what was typed on it.
    if (!view.value || ended.value) keepToken((await dataOf(api.GET('/api/session'))).token)
    take(await dataOf(api.POST('/api/session', { body: { name, password } })))
  }

  async function switchTo(personId: number, pin: string) {
    take(await dataOf(api.POST('/api/session/switch', { body: { personId, pin } })))
  }

  async function firstOwner(code: string, name: string, password: string) {
    take(await dataOf(api.POST('/api/session/first-owner', { body: { code, name, password } })))
  }

  async function join(body: Api<'JoinRequest'>) {
    take(await dataOf(api.POST('/api/session/join', { body })))
  }

  async function signOut() {
    take(await dataOf(api.DELETE('/api/session')))
    forgetDrafts()
  }

  /** Brings back the pages that were kept. */
  const recalls = ref(() => Promise.resolve())
  const person = computed(() => view.value?.person ?? null)
  const mayBench = computed(() => person.value?.role !== 'Counter')
  return {
    view,
    person,
    mayBench,
    ended,
    clockOffset,
    load,
    renew,
    recall,
    recalls,
    signIn,
    switchTo,
    firstOwner,
    join,
    signOut,
  }
})
