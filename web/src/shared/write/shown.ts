/** What a card showed when it was pressed. */
export interface Shown {
  /** The step, as it was written there. */
  step: string
  /** The answer pressed, as it was written there; empty for a step that is only done. */
  answer: string
  /** The version of the job that it was shown for. */
  version: number
}

const words = (at: Element | null | undefined) => (at?.textContent ?? '').replace(/\s+/g, ' ').trim()

/**
 * What stands on the screen where it was pressed, read off it: the card says its version and its step, the thing pressed says its answer.
 * So a press that means another answer than the one beside it is refused, whatever bound it wrongly.
 * @param pressed The thing pressed, on a card.
 */
export function shownAt(pressed: Element): Shown {
  const card = pressed.closest('[data-shows]')
  return {
    step: words(card?.querySelector('[data-says=step]')),
    answer: words(pressed.querySelector('[data-says=answer]')),
    version: Number(card?.getAttribute('data-shows') ?? 0),
  }
}
