import { expect, type Browser, type Page } from '@playwright/test'
import { signIn } from '../bench'
import { lookAround } from './agreement'
import { cardOf, chooseOther, keepSomething, lookAtMap, takeBack, tellInWords, workCard } from './bench'
import { Chance } from './chance'
import { onHeadCare, onInk, onSheets, onWaste, toBench } from './crafts'
import { endJob } from './ending'
import { followGuide } from './guide'
import { Hand } from './hand'
import { takeIn } from './takeIn'
import { Verdicts } from './verdicts'

const people = ['Ines Varga', 'Tom Adeyemi-Rowe']

/** How many things are done on a job before it is ended. */
const things = { least: 10, most: 26 }

async function someone(browser: Browser, name: string, phone: boolean): Promise<Page> {
  const context = await browser.newContext({
    locale: 'en-GB',
    reducedMotion: 'reduce',
    hasTouch: phone,
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
  })
  const page = await context.newPage()
  page.setDefaultTimeout(8000)
  await signIn(page, name)
  return page
}

/**
 * One job from the door to the door again, played by chance through the real pages.
 * @param browser The browser.
 * @param seed The seed of the run.
 * @param job Which job of that seed.
 */
export async function walkJob(browser: Browser, seed: number, job: number): Promise<Verdicts> {
  const chance = new Chance(seed * 7919 + job)
  const verdicts = new Verdicts(job)
  const phone = chance.hits(0.2)
  const name = chance.of(people)
  const page = await someone(browser, name, phone)
  const hand = new Hand(page, chance, verdicts, name, phone)
  verdicts.did(`seed ${seed}, job ${job}, ${name}${phone ? ', at phone width' : ''}`)
  let other: Hand | null = null
  try {
    const model = await takeIn(hand, `ROBOT-${seed}-${job}-${Date.now() % 1e7}`)
    if (chance.hits(0.15)) {
      const second = people.find((p) => p !== name)!
      other = new Hand(await someone(browser, second, false), chance, verdicts, second, false)
      other.job = hand.job
      await other.goto(`/bench/${hand.job}`)
    }
    for (let n = chance.whole(things.least, things.most); n > 0; n--) {
      const who = other && chance.hits(0.4) ? other : hand
      await anything(who, model)
      if ((await cardOf(who).count()) === 0) break
    }
    await lookAround(hand)
    await endJob(hand)
  } catch (e) {
    verdicts.judge(
      3,
      false,
      () => `it does not go on: ${(e as Error).message.split('\n').slice(0, 2).join(' ').slice(0, 240)}`,
    )
  } finally {
    for (const h of [hand, other]) await h?.page.context().close()
  }
  return verdicts
}

/** Where work is done away from the card; what it changes is not known to this hand. */
const onCraft = new Set<unknown>([onInk, onWaste, onHeadCare, onSheets])

/** Something that a person at the bench does, by chance. */
async function anything(hand: Hand, model: string) {
  const acts = [
    [12, workCard],
    [1.2, chooseOther],
    [1.2, tellInWords],
    [0.8, takeBack],
    [0.8, lookAtMap],
    [1, keepSomething],
    [1.2, onInk],
    [1, onWaste],
    [1, onHeadCare],
    [0.8, onSheets],
    [1.2, (h: Hand) => followGuide(h, model)],
    [0.3, (h: Hand) => lookAround(h).then(() => true)],
    [0.3, (h: Hand) => h.goto(`/bench/${h.job}`).then(() => true)],
  ] as const
  const act = hand.chance.weighed<(h: Hand) => Promise<boolean>>(acts)
  if (onCraft.has(act)) hand.told.clear()
  if (!(await act(hand)) && act === workCard) await keepSomething(hand)
  await expect(hand.page.locator('main')).toBeVisible()
  if (!/\/bench\/\d+$/.test(new URL(hand.page.url()).pathname)) await toBench(hand)
}
