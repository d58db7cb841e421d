import { inject, type Component, type InjectionKey } from 'vue'
import type { RouteRecordRaw } from 'vue-router'

/** A page of a craft that belongs to a job, as the bench page links to it. */
export interface BenchLink {
  /** Single key that opens it. */
  key: string
  /** What the button says. */
  label: string
  /** What the key does, for the overlay of keys. */
  does: string
  /** The last part of its address, behind the job's. */
  page: string
}

/** A kind of line in the index of the book that has a page of its own. */
export interface BookKind {
  /** As the index names it. */
  id: string
  /** What the filter says. */
  name: string
  /** Where a line leads. */
  to: (id: string) => string
}

/** What a craft adds to the interface: its routes, and its links and cards on pages that all crafts share. */
export interface Craft {
  name: string
  routes: RouteRecordRaw[]
  benchLinks: BenchLink[]
  /** Cards of the bench page; each gets the bench as `job`. */
  benchCards: Component[]
  /** Cards of a machine's page; each gets the machine's number as `id`. */
  machineCards: Component[]
  bookKinds: BookKind[]
}

export const craftsKey: InjectionKey<readonly Craft[]> = Symbol('crafts')

/** The crafts that are plugged in. */
export const useCrafts = (): readonly Craft[] => inject(craftsKey, [])

/** The props of a page that belongs to a job or machine. */
export const byId = (to: { params: Record<string, string | string[]> }) => ({ id: Number(to.params.id) })
