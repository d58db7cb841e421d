/** Kinds of input that hold no text. */
const noText = ['checkbox', 'radio', 'button', 'submit', 'file', 'range', 'color']

/** Whether something is a field that text is typed into, and holds some. */
function holdsText(at: EventTarget | null): at is HTMLInputElement | HTMLTextAreaElement {
  if (at instanceof HTMLTextAreaElement) return at.value !== ''
  return at instanceof HTMLInputElement && !noText.includes(at.type) && at.value !== '' && at.role !== 'combobox'
}

/**
 * Escape leaves a field and keeps its text: only pressed again, outside of it, does it close what is open. Before everything else that
 * listens, so that no dialog closes over what was typed.
 */
export function keepTextOnEscape(at: Window = window) {
  at.addEventListener(
    'keydown',
    (event) => {
      if (event.key !== 'Escape') return
      const field = document.activeElement
      if (holdsText(field)) {
        event.stopImmediatePropagation()
        event.preventDefault()
        ;(field.closest<HTMLElement>('[role=dialog]') ?? field).focus()
        field.blur()
      } else if (field instanceof HTMLInputElement && !field.closest('[role=dialog]')) field.blur()
    },
    true,
  )
}
