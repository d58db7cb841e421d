import { describe, expect, it } from 'vitest'
import { dataOf, Refused, signedIn } from './client'

const refusal = { error: { code: 'signed-out' }, response: new Response(null, { status: 401 }) }

async function asked(meanwhile: () => void): Promise<Refused> {
  let answer: (value: typeof refusal) => void = () => {}
  const waiting = dataOf(new Promise<typeof refusal>((resolve) => (answer = resolve)))
  meanwhile()
  answer(refusal)
  return waiting.then(
    () => expect.unreachable(),
    (e: unknown) => e as Refused,
  )
}

describe('a refusal for want of a sign-in', () => {
  it('ends the sign-in that it was asked under', async () => expect((await asked(() => {})).endsSignIn).toBe(true))

  it('says nothing of one that came meanwhile', async () => expect((await asked(signedIn)).endsSignIn).toBe(false))
})
