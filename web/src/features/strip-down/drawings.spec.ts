import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ActDrawing from './ActDrawing.vue'
import HoleDrawing from './HoleDrawing.vue'
import type { Drawing } from './useOpening'

const hole = { wall: 'rear wall', diameterMm: 8, upMm: 46, inMm: 38, edge: 'right', clear: 'the belt' }
const drawing = (more: Partial<Drawing>) =>
  ({ kind: 'stack', modelId: 'm', model: 'M', stack: [], hole: null, ...more }) as Drawing

describe('drawings of a model', () => {
  it('stacks the layers in their order, each as thick as told, a spacer named', () => {
    const stack = [
      { name: 'top felt', kind: 'felt', mm: 4, way: 'smooth side up' },
      { name: 'spacer', kind: 'spacer', mm: 3, way: '' },
      { name: 'block', kind: 'block', mm: 30, way: '' },
    ]
    const shown = mount(ActDrawing, { props: { drawing: drawing({ stack }) } })
    expect(shown.findAll('li').map((l) => l.text())).toEqual([
      'top felt, 4 mm; smooth side up',
      'spacer, 3 mm (spacer)',
      'block, 30 mm',
    ])
    const tops = shown.findAll('rect').map((r) => Number(r.attributes('y')))
    expect([...tops].sort((a, b) => a - b)).toEqual(tops)
    expect(Number(shown.findAll('rect')[2]!.attributes('height'))).toBeGreaterThan(40)
  })

  it('measures the hole from the edge that is told, in millimetres of its paper', () => {
    const at = (edge: string) => {
      const circle = mount(HoleDrawing, {
        props: { drawing: drawing({ kind: 'hole', hole: { ...hole, edge } }) },
      }).find('circle')
      return [circle.attributes('cx'), circle.attributes('cy'), circle.attributes('r')].map(Number)
    }
    // A sheet of 170 x 120 with its edges 12 from the rim.
    expect(at('right')).toEqual([170 - 12 - 38, 120 - 12 - 46, 4])
    expect(at('left')).toEqual([12 + 38, 120 - 12 - 46, 4])
  })
})
