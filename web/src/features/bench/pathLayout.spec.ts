import { describe, expect, it } from 'vitest'
import { layOut, size } from './pathLayout'

const station = (id: string, path: string) => ({
  id,
  path,
  name: id,
  suspicionRatio: 0,
  cleared: false,
  leading: false,
  confirmed: false,
  causes: 1,
})
const tank = [
  ...['chip', 'main-board'].map((id) => station(id, 'signal')),
  ...['store', 'vent', 'line', 'damper', 'head', 'nozzles', 'paper'].map((id) => station(id, 'ink')),
  ...['counter', 'pads', 'cap'].map((id) => station(id, 'waste')),
]

describe('layOut', () => {
  it('keeps every station inside the drawing and apart from its neighbour', () => {
    const { placed } = layOut(tank)
    expect(placed).toHaveLength(tank.length)
    for (const path of ['signal', 'ink', 'waste']) {
      const xs = placed.filter((p) => p.station.path === path).map((p) => p.x)
      expect(Math.min(...xs)).toBeGreaterThan(size.left)
      expect(Math.max(...xs)).toBeLessThan(size.width)
      for (let i = 1; i < xs.length; i++) expect(xs[i]! - xs[i - 1]!).toBeGreaterThanOrEqual(100)
    }
  })

  it('brings the signal down into the head, or into the nozzles where there is no head of its own', () => {
    const drawing = layOut(tank)
    const headX = drawing.placed.find((p) => p.station.id === 'head')!.x
    expect(drawing.signal).toContain(` ${headX} `)
    const headless = layOut(tank.filter((s) => s.id !== 'head'))
    const nozzlesX = headless.placed.find((p) => p.station.id === 'nozzles')!.x
    expect(headless.signal).toContain(` ${nozzlesX} `)
  })
})
