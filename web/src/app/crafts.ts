import type { Craft } from '@/shared/crafts/craft'
import { nozzles } from '@/features/nozzles'
import { stripDown } from '@/features/strip-down'

/** The crafts that ship. A new one is added to this list. */
export const crafts: readonly Craft[] = [stripDown, nozzles]
