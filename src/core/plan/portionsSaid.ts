const counts: Readonly<Record<string, number>> = { once: 1, twice: 2, half: 2, two: 2, three: 3, thrice: 3, four: 4 }

/** How many portions a step's words say. */
export function portionsSaid(text: string): number {
  const word = /\b(once|twice|half|two|three|thrice|four)\b/i.exec(text)?.[1]
  return word ? counts[word.toLowerCase()]! : 1
}
