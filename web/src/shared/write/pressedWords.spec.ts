import { afterEach, describe, expect, it } from 'vitest'
import { pressedWords } from './pressedWords'

describe('what was pressed, in words', () => {
  afterEach(() => document.body.replaceChildren())
  const show = (html: string) => {
    document.body.innerHTML = html
    return (at: string) => (document.querySelector(at) as HTMLElement).click()
  }

  it('is the step of its card and the answer beside the key, not the key', () => {
    const press = show(
      `<main><h1>Bench</h1><section data-shows="7"><p>Find</p><h2 data-says="step">Look along the line</h2>
       <button id="one"><span class="keycap">1</span> <span data-says="answer">Air in it</span> <small>62 %</small></button></section></main>`,
    )
    press('#one')
    expect(pressedWords()).toBe('Look along the line: Air in it')
  })

  it('has what was typed beside it, and never a password', () => {
    const press = show(
      `<main><h1>Bench</h1><form onsubmit="return false"><h3>A note</h3><input value="belt noisy"><input type="password" value="secret">
       <button type="submit"><span class="keycap">N</span> Put it down</button></form></main>`,
    )
    press('button')
    expect(pressedWords()).toBe('A note: Put it down, “belt noisy”')
  })

  it('has the number beside an answer, and a field is pressed by Enter', () => {
    const press = show(
      `<main><section data-shows="7"><h2 data-says="step">Draw test</h2><ul><li>
         <button><span class="keycap">2</span> <b data-says="answer">Pulls hard</b></button><label>at <input value="4"></label></li></ul></section>
       <section aria-label="Tell a finding in words"><label><b><i class="keycap">F</i> Tell a finding</b><input id="words" value="no ink"></label></section></main>`,
    )
    press('button')
    expect(pressedWords()).toBe('Draw test: Pulls hard, “4”')
    const enter = (at: string) =>
      document.querySelector(at)!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
    enter('#words')
    expect(pressedWords()).toBe('Tell a finding in words: Tell a finding, “no ink”')
    enter('li input')
    expect(pressedWords()).toBe('Draw test: Pulls hard, “4”')
  })

  it('is of the heading above, where the card has none', () => {
    const press = show(
      '<main><h1>Waste</h1><section><button aria-label="Years more"><i aria-hidden="true">+</i></button></section></main>',
    )
    press('button')
    expect(pressedWords()).toBe('Waste: Years more')
  })
})
