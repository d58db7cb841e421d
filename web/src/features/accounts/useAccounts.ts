import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'
import { loadAnew, takeAnswer } from '@/shared/state/loadAnew'
import { useWrites } from '@/shared/write/useWrites'

/** The accounts of the shop, and every write to them. */
export function useAccounts() {
  const queries = useQueryClient()
  const query = useQuery({ queryKey: ['accounts'], queryFn: () => dataOf(api.GET('/api/people/accounts')) })
  /** A code that was just made: it is told once, and stays until it is put away. */
  const made = ref<Api<'OneTimeCodeView'> | null>(null)
  const writes = useWrites<Api<'AccountsView'>>({
    about: 'shop',
    stamp: () => ({ seenVersion: query.data.value?.version ?? 0 }),
    written: (now) => {
      takeAnswer(queries, ['accounts'], now)
      if (now.made) made.value = now.made
      void loadAnew(queries, { predicate: (q) => q.queryKey[0] !== 'accounts' })
    },
    refetch: () => query.refetch(),
  })
  const code = writes.write((body: Api<'AccountRequest'> & { id: number }) =>
    dataOf(api.POST('/api/people/{id}/code', { params: { path: { id: body.id } }, body })),
  )
  const role = writes.write((body: Api<'RoleRequest'> & { id: number }) =>
    dataOf(api.POST('/api/people/{id}/role', { params: { path: { id: body.id } }, body })),
  )
  const stand = writes.write((body: Api<'StandRequest'> & { id: number }) =>
    dataOf(api.POST('/api/people/{id}/standing', { params: { path: { id: body.id } }, body })),
  )
  return {
    query,
    made,
    here: computed(() => (query.data.value?.accounts ?? []).filter((a) => a.standing !== 'Gone')),
    gone: computed(() => (query.data.value?.accounts ?? []).filter((a) => a.standing === 'Gone')),
    ...writes.face,
    invite: writes.write((body: Api<'InviteRequest'>) => dataOf(api.POST('/api/people/invitations', { body }))),
    code: (id: number) => code({ id }),
    role: (id: number, to: string) => role({ id, role: to }),
    stand: (id: number, act: string, why: string) => stand({ id, act, why }),
  }
}

/** Where people are signed in, and one's own secrets. */
export function useSignIns() {
  const queries = useQueryClient()
  const query = useQuery({ queryKey: ['sign-ins'], queryFn: () => dataOf(api.GET('/api/sign-ins')) })
  const writes = useWrites<Api<'SignInView'>[]>({
    about: 'shop',
    stamp: () => ({ seenVersion: 0 }),
    written: (now) => {
      takeAnswer(queries, ['sign-ins'], now)
      void loadAnew(queries, { predicate: (q) => q.queryKey[0] !== 'sign-ins' })
    },
    refetch: () => query.refetch(),
  })
  const end = writes.write((body: Api<'AccountRequest'> & { id: string }) =>
    dataOf(api.POST('/api/sign-ins/{signIn}/end', { params: { path: { signIn: body.id } }, body })),
  )
  return {
    query,
    ...writes.face,
    end: (id: string) => end({ id }),
    password: writes.write((body: Api<'OwnPasswordRequest'>) => dataOf(api.POST('/api/sign-ins/password', { body }))),
    pin: writes.write((body: Api<'OwnPinRequest'>) => dataOf(api.POST('/api/sign-ins/pin', { body }))),
  }
}
