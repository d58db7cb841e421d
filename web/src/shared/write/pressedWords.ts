const longest = 160
const cards = '[role=dialog], [data-shows], section, form, article, main'
const controls = 'button, a, summary, label, [role=checkbox], [role=option], [role=menuitem]'
const line = 'input:not([type=password], [type=file], [type=checkbox], [type=radio], [type=hidden])'
const typed = `${line}, textarea`

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

/** What it stands on: the step of its card, else the next heading above it, or what a part of the page is called. */
function cardOf(pressed: Element): string {
  for (let at = pressed.closest(cards); at; at = at.parentElement?.closest(cards) ?? null) {
    const step = at.matches('[data-shows]') ? at.querySelector('[data-says=step]') : null
    const says =
      plain((step ?? at.querySelector('h1, h2, h3, legend'))?.textContent) || plain(at.getAttribute('aria-label'))
    if (says) return says
  }
  return ''
}

/** What was pressed in the words of the screen: its card, the thing itself, and what was typed beside it. */
export function wordsAt(pressed: Element): string {
  const beside = pressed.closest('form, li') ?? pressed.closest('label') ?? pressed
  const label = pressed.matches(typed) ? labelOf(beside) : labelOf(pressed)
  const told = [...beside.querySelectorAll<HTMLInputElement>(typed)].map((field) => plain(field.value)).filter(Boolean)
  const said = [cardOf(pressed), label].filter(Boolean).join(': ')
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
  // Enter in a field that stands in no form is a press too.
  window.addEventListener(
    'keydown',
    (event) => {
      const field = event.target as Element | null
      if (event.key === 'Enter' && field?.matches?.(line)) last = wordsAt(field)
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
