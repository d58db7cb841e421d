import { expect, test, type Page } from '@playwright/test'
import { after, card, signIn, takeIn, usual } from './bench'

interface Story {
  complaint: string
  model: string
  ink?: string
  idle?: string
  /** What each test would show on this machine. */
  shows: Record<string, string>
  /** The repair that ends it. */
  ends: string
  /** What the sheet says was wrong. */
  found: string
}

const stories: Story[] = [
  {
    complaint: 'Missing nozzles after idle time',
    model: 'Marram Duo',
    idle: '12',
    shows: {
      'ink-seen': 'enough',
      'just-changed': 'weeks',
      'nozzle-sheet': 'scattered',
      'cap-look': 'clean',
      'ink-kind-ask': 'right',
      'sheet-after-clean': 'complete',
      'pump-test': 'vanishes',
    },
    ends: 'clean-light',
    found: 'Scattered nozzles dried after idle time',
  },
  {
    complaint: 'A blank channel on a refilled machine',
    model: 'Tolling Folio 3',
    ink: 'refilled',
    shows: {
      'ink-seen': 'enough',
      'film-and-tabs': 'none',
      'just-changed': 'just',
      'nozzle-sheet': 'blank',
      'press-home': 'no-change',
      'blank-sheet': 'few',
      'chambers-look': 'air',
      'outlet-blot': 'dry',
      'vent-look': 'clear',
      'rest-sheet': 'complete',
    },
    ends: 'prime-cartridge',
    found: 'Refilled cartridge never primed',
  },
  {
    complaint: 'A cartridge is not recognised',
    model: 'Pellow Mono Pair',
    shows: {
      'panel-code': 'absent',
      'film-and-tabs': 'none',
      'just-changed': 'weeks',
      'number-and-slot': 'right',
      'press-home': 'no-change',
      'ink-seen': 'enough',
      'contacts-look': 'inky',
      'swap-known-good': 'read',
      'good-start': 'read',
    },
    ends: 'clean-contacts',
    found: 'Ink or dirt on the chip',
  },
  {
    complaint: 'Waste counter full',
    model: 'Pellow Six Tank',
    shows: {
      'panel-code': 'waste',
      'box-in-again': 'stays',
      'reset-history': 'no',
      'counter-reading': 'limit',
      'pads-weighed': 'full',
      'spare-box': 'accepted',
      'pads-look': 'soaked',
      'box-contacts-look': 'clean',
      'drain-look': 'on',
      'counter-readback': 'ready',
    },
    ends: 'renew-box',
    found: 'Pads or box really full',
  },
]

/** What is read where an answer says nothing without its number. */
const measured: Record<string, string> = { 'counter-readback=ready': '0' }

/** Follows the advice to its end, answering as the machine of the story would. */
async function follow(page: Page, story: Story) {
  const done: string[] = []
  for (let i = 0; i < 24; i++) {
    if (await card(page).getByRole('button', { name: 'Close as verified' }).isVisible()) return done
    const step = (await card(page).getAttribute('data-step'))!
    if (await page.getByTestId('step-held').isVisible()) {
      const drying = (await page.locator('[data-clock="dry"]').count()) > 0
      await after(page, async () => {
        await page.getByRole('button', { name: 'All back, dry and out: clear the tray' }).click()
        if (!drying) return
        // What is wet is not dry because somebody presses: the wait ends by its time, or with a reason.
        await expect(page.locator('[data-code="wait-guards"]')).toContainText('min to go')
        await page.getByLabel('Why is it over?').fill('looked at under the lamp, dry')
        await page.getByRole('button', { name: 'It is over' }).click()
      })
    } else if (await card(page).getByTestId('done').isVisible()) {
      done.push(step)
      await after(page, () => card(page).getByTestId('done').click())
    } else {
      const shows = { ...usual, ...story.shows }
      expect(Object.keys(shows), `the story does not say what ${step} shows`).toContain(step)
      const answer = card(page).locator(`[data-outcome="${shows[step]}"]`)
      const number = measured[`${step}=${shows[step]}`]
      if (number) await answer.locator('xpath=..').locator('input').first().fill(number)
      await after(page, () => answer.click())
    }
  }
  throw new Error(`no end after ${done.join(', ')}`)
}

for (const story of stories) {
  test(`${story.complaint} on a ${story.model} is worked through to a verified end`, async ({ page }) => {
    await signIn(page)
    await takeIn(page, `E2E-${story.model}`, { ...story, moved: false, words: 'It does not do what it should.' })
    const done = await follow(page, story)
    expect(done.at(-1)).toBe(story.ends)
    await card(page).getByRole('button', { name: 'Close as verified' }).click()
    const dialog = page.getByRole('dialog')
    if (await dialog.getByRole('button', { name: 'All back: clear the tray' }).isVisible()) {
      await dialog.getByRole('button', { name: 'All back: clear the tray' }).click()
      await expect(dialog.getByText('The tray is not clear')).toBeHidden()
    }
    await dialog.getByRole('button', { name: 'Close the job' }).click()
    await expect(page.getByTestId('hand-over-sheet')).toContainText(story.found)
  })
}
