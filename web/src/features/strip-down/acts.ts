import type { Act, Part } from './useOpening'

/** What a press of the card says. */
export interface Answer {
  key: string
  label: string
  does: 'done' | 'check' | 'stuck' | 'branch' | 'photo' | 'skip' | 'pieces' | 'lost'
  branch?: string
  /** The repair of the book that it says was made. */
  repair?: string
}

const outWords: Record<string, string> = { open: 'It is open', aside: 'It is aside', unplugged: 'It is out' }

/**
 * The presses that answer an act, each with its key. Digits first, so that one digit is enough. What must be true of a part that goes back
 * is ticked one by one before it counts as back.
 */
export function answersOf(act: Act, part: Part | undefined, next?: string): Answer[] {
  if (act.kind === 'off') {
    const group = part?.fasteners.find((f) => f.removal === act.removal)
    const itself = act.removal === act.part
    const word = itself
      ? (outWords[part?.way ?? ''] ?? 'It is off')
      : group?.loosenOnly
        ? 'They are loose'
        : group
          ? group.count > 1
            ? `All ${group.count} are out`
            : 'It is out'
          : 'It is out'
    const answers: Answer[] = [
      { key: '1', label: word, does: 'done' },
      { key: '2', label: 'Stuck', does: 'stuck' },
      { key: 'C', label: 'Photo', does: 'photo' },
    ]
    if (group)
      answers.push({ key: 'L', label: group.count > 1 ? 'Not all, or one missing' : 'It is missing', does: 'pieces' })
    return answers
  }
  if (act.kind === 'back' && act.item) {
    const answers: Answer[] = [
      next ? { key: '1', label: `True: ${next}`, does: 'check' } : { key: '1', label: 'Back', does: 'done' },
    ]
    if (act.removal) answers.push({ key: '2', label: 'Will not seat', does: 'stuck' })
    if (act.removal.includes(':')) answers.push({ key: 'L', label: 'One is lost', does: 'lost' })
    return answers
  }
  const done: Answer[] = next
    ? [{ key: '1', label: `True: ${next}`, does: 'check' }]
    : act.does.length > 1
      ? act.does.map((d, i): Answer => ({ key: String(i + 1), label: d.label, does: 'done', repair: d.repair }))
      : [{ key: '1', label: act.does[0]?.label ?? 'Done', does: 'done' }]
  return [
    ...done,
    ...act.branches.map((b, i): Answer => ({
      key: String(done.length + i + 1),
      label: b.label,
      does: 'branch',
      branch: b.id,
    })),
    { key: 'C', label: 'Photo', does: 'photo' },
    { key: 'K', label: 'Skip', does: 'skip' },
  ]
}

/** A side as it is said: where the person stands. */
export function seenFrom(view: string): string {
  if (view === 'top') return 'seen from above'
  if (view === 'under') return 'seen from beneath'
  return view ? `seen from the ${view}` : ''
}

/** A spot on a side, as seen when standing at the other end: what was left is right, what was near is far. */
export function turned(x: number, y: number): { x: number; y: number } {
  return { x: 100 - x, y: 100 - y }
}

/** Everything of an act that is worth saying aloud. */
export function spoken(act: Act): string {
  const said = [act.title, ...act.cautions, act.text, act.sign ? `Expect: ${act.sign}` : '']
  return said
    .filter(Boolean)
    .map((s) => s.replace(/\.$/, ''))
    .join('. ')
}
