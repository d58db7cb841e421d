import type { Locator, Page } from '@playwright/test'

/** Something on the screen that can be pressed now, as a person reads it. */
export interface Pressable {
  /** What is written on it, without its key. */
  name: string
  /** The key beside it; empty when it has none. */
  key: string
  at: Locator
}

const pressable = 'button, a[href], [role=button], [role=checkbox], summary'

/** Everything that can be pressed within a part of the screen, in the order it stands there. */
export async function pressables(within: Locator): Promise<Pressable[]> {
  const all = within.locator(pressable)
  const seen = await all.evaluateAll((things) =>
    things.map((thing) => {
      const cap = thing.querySelector('.keycap')?.textContent?.trim() ?? ''
      const box = thing.getBoundingClientRect()
      const shown = thing.checkVisibility() && box.width > 0 && box.height > 0
      const off = (thing as HTMLButtonElement).disabled === true
      const text = ((thing as HTMLElement).innerText ?? thing.textContent ?? '').replace(/\s+/g, ' ').trim()
      return { name: cap && text.startsWith(cap) ? text.slice(cap.length).trim() : text, key: cap, can: shown && !off }
    }),
  )
  return seen.flatMap((s, i) => (s.can ? [{ name: s.name, key: s.key, at: all.nth(i) }] : []))
}

/** All words of a part of the screen. */
export const words = async (at: Locator) => (await at.innerText()).replace(/[ \t\u00a0\u2009\u202f]+/g, ' ').trim()

/** The words of what may not be there; empty when it is not. */
export const textOf = async (at: Locator) => (await at.allInnerTexts()).join(' ')

/** The screen as one text: words, what is chosen, what has the focus, where it is. Times that run by themselves are left out. */
function screenNow(): string {
  const states = [
    ...document.querySelectorAll('[aria-pressed],[aria-expanded],[aria-checked],[aria-current],input,select,textarea'),
  ]
    .map((e) => {
      const field = e as HTMLInputElement
      return [
        e.getAttribute('aria-pressed'),
        e.getAttribute('aria-expanded'),
        e.getAttribute('aria-checked'),
        field.value,
        field.checked,
      ].join()
    })
    .join('|')
  const focus = document.activeElement?.outerHTML.slice(0, 120) ?? ''
  const text = document.body.innerText.replace(/[+−-]?\d+:\d\d(:\d\d)?/g, '').replace(/\bworking …/g, '')
  return [location.href, Math.round(scrollY), focus, states, text].join('\n')
}

/** Remembers the screen as it is; the function that comes back waits until it shows something else, three seconds at most. */
export async function watched(page: Page): Promise<() => Promise<boolean>> {
  const before = await page.evaluate(screenNow)
  return () => until(async () => (await page.evaluate(screenNow).catch(() => '')) !== before, 3000)
}

/** Looks again and again whether something is so; false when it is not within that time, ms. */
export async function until(isSo: () => Promise<boolean>, withinMs: number): Promise<boolean> {
  for (const end = Date.now() + withinMs; Date.now() < end; await new Promise((go) => setTimeout(go, 40)))
    if (await isSo()) return true
  return false
}

const amounts = /[-−]\d+(?:[.,]\d+)?\s?(?:g|ml|min|pages)\b/
const ones =
  /\b1 (?:weeks|machines|days|hours|slots|presses|tries|pages|jobs|visits|parts|tools|nozzles|screws|times|bottles|keys|resets|points|minutes|years|pieces|others|things|promises)\b/
const programs = /\b(?:undefined|NaN|Infinity)\b|\[object|\bnull\b/

/** What a person would shake their head at in a text. */
export function oddWords(text: string): string[] {
  const odd: string[] = []
  const program = programs.exec(text)
  if (program) odd.push(`a word of the program: “${around(text, program.index)}”`)
  for (const share of text.matchAll(/(?<![\d.,])(\d{3,}(?:[.,]\d+)?) ?%/g))
    if (parseFloat(share[1]!) > 100 && !/counter|\bto\b/i.test(around(text, share.index)))
      odd.push(`a share over 100: “${around(text, share.index)}”`)
  const below = amounts.exec(text)
  if (below) odd.push(`an amount below nothing: “${around(text, below.index)}”`)
  const one = ones.exec(text)
  if (one) odd.push(`“${one[0]}”`)
  for (const band of text.matchAll(/\((\d+(?:\.\d+)?) to (\d+(?:\.\d+)?)\)/g))
    if (parseFloat(band[1]!) > parseFloat(band[2]!)) odd.push(`a band upside down: “${around(text, band.index)}”`)
  return odd
}

const around = (text: string, at: number) =>
  text
    .slice(Math.max(0, at - 40), at + 40)
    .replace(/\s+/g, ' ')
    .trim()
