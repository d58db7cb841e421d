import glossary from '../../../../GLOSSARY.md?raw'

/** A term of the trade, with what it means here. */
export interface Word {
  word: string
  means: string
}

/** The rows of the glossary's tables. */
export function wordsOf(text: string): Word[] {
  return text
    .split('\n')
    .filter((line) => line.startsWith('| ') && !line.startsWith('| word ') && !line.startsWith('|---'))
    .map((line) => line.split('|').map((cell) => cell.trim()))
    .map(([, word = '', ...means]) => ({
      word,
      means: means.join('|').replace(/\|+$/, '').replace(/[*`]/g, '').trim(),
    }))
}

export const words = wordsOf(glossary)

/** Terms that hold what was typed, those that begin with it first. */
export function wordsLike(typed: string, most = words.length): Word[] {
  const like = typed.trim().toLowerCase()
  const rank = (w: Word) =>
    w.word.toLowerCase().startsWith(like)
      ? 0
      : w.word.toLowerCase().includes(like)
        ? 1
        : w.means.toLowerCase().includes(like)
          ? 2
          : 3
  return (
    like ? words.filter((w) => rank(w) < (like.length > 2 ? 3 : 2)).sort((a, b) => rank(a) - rank(b)) : words
  ).slice(0, most)
}
