import type { Craft } from '@/shared/crafts/craft'
import { headCare } from '@/features/head-care'
import { ink } from '@/features/ink'
import { models } from '@/features/models'
import { nozzles } from '@/features/nozzles'
import { stripDown } from '@/features/strip-down'
import { sums } from '@/features/sums'
import { waste } from '@/features/waste'

/** The crafts that ship. A new one is added to this list. */
export const crafts: readonly Craft[] = [stripDown, nozzles, headCare, ink, waste, sums, models]
