import type { Api } from '@/shared/api/client'

type Station = Api<'StationView'>

/** A station with its place in the drawing, px. */
export interface Placed {
  station: Station
  x: number
  y: number
}

/** The drawing of a machine's paths: stations placed, pipes as SVG paths. */
export interface PathDrawing {
  placed: Placed[]
  signal: string
  ink: { from: number; to: number; y: number }
  waste: string
}

export const size = { width: 1150, height: 186, left: 96, right: 1124, rows: { signal: 24, ink: 84, waste: 145 } }

/**
 * Places stations on three rows as ink and current run: the ink row spans the width, the signal row comes down into
 * the head (or the nozzles, where the head goes with its cartridge), the waste row is fed from the nozzles.
 */
export function layOut(stations: readonly Station[]): PathDrawing {
  const row = (path: string) => stations.filter((s) => s.path === path)
  const spread = (list: Station[], from: number, to: number, y: number): Placed[] =>
    list.map((station, i) => ({ station, x: list.length < 2 ? from : from + (i * (to - from)) / (list.length - 1), y }))
  const ink = spread(row('ink'), size.left + 56, size.right - 34, size.rows.ink)
  const xOf = (id: string) => ink.find((p) => p.station.id === id)?.x
  const nozzlesX = xOf('nozzles') ?? size.right
  const headX = xOf('head') ?? nozzlesX
  const signal = spread(row('signal'), size.left + 56, headX - 120, size.rows.signal)
  const waste = spread(row('waste'), size.left + 56, nozzlesX - 120, size.rows.waste)
  const { rows, left } = size
  return {
    placed: [...signal, ...ink, ...waste],
    signal: `M${left} ${rows.signal}H${headX - 14}Q${headX} ${rows.signal} ${headX} ${rows.signal + 14}V${rows.ink - 20}`,
    ink: { from: left, to: size.right, y: rows.ink },
    waste: `M${nozzlesX} ${rows.ink + 20}V${rows.waste - 14}Q${nozzlesX} ${rows.waste} ${nozzlesX - 14} ${rows.waste}H${left}`,
  }
}
