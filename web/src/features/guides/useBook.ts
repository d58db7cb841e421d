import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, dataOf, type Api } from '@/shared/api/client'

export type BookLine = Api<'BookLine'>

/** The fault book's index, searched as one types: every word must stand somewhere in a line. */
export function useBook() {
  const query = useQuery({ queryKey: ['book'], queryFn: () => dataOf(api.GET('/api/guides/book')) })
  const typed = ref('')
  const kind = ref('')
  const found = computed(() => search(query.data.value?.lines ?? [], typed.value, kind.value))
  return { query, typed, kind, found }
}

/** Lines that hold every word typed, those that begin with it in their name first. */
export function search(lines: BookLine[], typed: string, kind: string): BookLine[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const of = (line: BookLine) => `${line.name} ${line.station} ${line.detail} ${line.words}`.toLowerCase()
  const fits = lines.filter((l) => (!kind || group(l) === kind) && words.every((w) => of(l).includes(w)))
  const first = words[0]
  return first
    ? fits.sort(
        (a, b) => Number(b.name.toLowerCase().startsWith(first)) - Number(a.name.toLowerCase().startsWith(first)),
      )
    : fits
}

/** The group a line is listed under: questions, looks, tests and proofs are all findings. */
export function group(line: BookLine): string {
  return ['cause', 'repair', 'code', 'sheet', 'guide'].includes(line.kind) ? line.kind : 'finding'
}
