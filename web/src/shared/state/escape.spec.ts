import { describe, expect, it } from 'vitest'
import { keepTextOnEscape } from './escape'

keepTextOnEscape()

function typed(text: string): { field: HTMLInputElement; heard: () => number } {
  document.body.innerHTML = '<div role="dialog" tabindex="-1"><input /></div>'
  const field = document.querySelector('input')!
  field.value = text
  field.focus()
  let heard = 0
  document.addEventListener('keydown', () => heard++, { once: true })
  field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }))
  return { field, heard: () => heard }
}

describe('keepTextOnEscape', () => {
  it('leaves a field that holds text, keeps the text, and closes nothing', () => {
    const { field, heard } = typed('a note')
    expect(field.value).toBe('a note')
    expect(document.activeElement).not.toBe(field)
    expect(heard()).toBe(0)
  })

  it('lets an empty field’s dialog close', () => {
    expect(typed('').heard()).toBe(1)
  })
})
