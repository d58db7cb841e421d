import { ref } from 'vue'

/** What this browser is writing right now. News of it is held until its own answer is here: the answer is the news. */
export type Written = number | 'shop' | 'take-in'

interface Flight {
  writes: number
  heard: (() => void)[]
}
const flights = new Map<Written, Flight>()
/** How many writes have had no answer yet. */
export const writing = ref(0)

/** Whether the server is known to be away: what is pressed waits in this browser. */
export const away = ref(false)

/** Marks the beginning of a write; the function that comes back marks its end and lets held news through. */
export function beginWrite(what: Written): () => void {
  const flight = flights.get(what) ?? { writes: 0, heard: [] }
  flight.writes++
  writing.value++
  flights.set(what, flight)
  return () => {
    writing.value--
    if (--flight.writes > 0) return
    flights.delete(what)
    for (const news of flight.heard.splice(0)) news()
  }
}

/** Runs news at once, or as soon as the writes that it may come from have had their answers. */
export function whenAnswered(what: Written, news: () => void) {
  const flight = flights.get(what)
  if (flight) flight.heard.push(news)
  else news()
}
