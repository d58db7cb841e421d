const longest = 160
const cards = '[role=dialog], [data-shows], section, form, article, main'
const controls = 'button, a, summary, label, [role=checkbox], [role=option], [role=menuitem]'
const typed = 'input:not([type=password], [type=file], [type=checkbox], [type=radio], [type=hidden]), textarea'

let last = ''

const plain = (text: string | null | undefined) => (text ?? '').replace(/\s+/g, ' ').trim()

/** The words on a thing, without the key beside them. */
function labelOf(pressed: Element): string {
  const answer = pressed.querySelector('[data-says=answer]')
  if (answer) return plain(answer.textContent)
  const copy = pressed.cloneNode(true) as Element
  copy.querySelectorAll('.keycap, [aria-hidden=true]').forEach((cap) => cap.remove())
  return plain(copy.textContent) || plain(pressed.getAttribute('aria-label'))
}

/** What it stands on: the step of its card, or the next heading above it. */
function cardOf(pressed: Element): string {
  for (let at = pressed.closest(cards); at; at = at.parentElement?.closest(cards) ?? null) {
    const says = plain((at.querySelector('[data-says=step]') ?? at.querySelector('h1, h2, h3, legend'))?.textContent)
    if (says) return says
  }
  return ''
}

/** What was pressed in the words of the screen: its card, the thing itself, and what was typed beside it. */
export function wordsAt(pressed: Element): string {
  const of = pressed.closest('form') ?? pressed
  const told = [...of.querySelectorAll<HTMLInputElement>(typed)].map((field) => plain(field.value)).filter(Boolean)
  const said = [cardOf(pressed), labelOf(pressed)].filter(Boolean).join(': ')
  return (told.length ? `${said}, “${told.join('”, “')}”` : said).slice(0, longest)
}

if (typeof window !== 'undefined') {
  const heard = { capture: true, passive: true }
  window.addEventListener(
    'click',
    (event) => {
      const pressed = (event.target as Element | null)?.closest?.(controls)
      if (pressed) last = wordsAt(pressed)
    },
    heard,
  )
  window.addEventListener(
    'submit',
    (event) =>
      (last = wordsAt(
        event.submitter ?? (event.target as Element).querySelector('[type=submit]') ?? (event.target as Element),
      )),
    heard,
  )
}

/** What was pressed last. Read at the press: afterwards the page has gone on. */
export const pressedWords = () => last
