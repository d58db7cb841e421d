import { expect, type Page } from '@playwright/test'

/** A press is looked at again as soon as it can have come: hundreds of them follow one another. */
export const soon = { intervals: [40] }

/** The card of what the hand does now. */
export const act = (page: Page) => page.getByTestId('act')
/** What the card shows to be done, looked up at once; 'none' when there is no card. */
export const key = (page: Page) => act(page).evaluateAll((cards) => cards[0]?.getAttribute('data-key') ?? 'none')

/** Presses a key until the card shows another thing to do. */
export async function press(page: Page, what: string) {
  const before = await key(page)
  await expect(act(page)).toHaveAttribute('data-settled', 'true')
  await page.keyboard.press(what)
  await expect.poll(() => key(page), soon).not.toBe(before)
}
