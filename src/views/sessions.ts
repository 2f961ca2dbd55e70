/** Something said about a session before it is set: it cannot be so, or it is to be thought over. */
export interface SaidBefore {
  level: 'danger' | 'doubt'
  /** Which of the days, from 0; null where it is about all of them. */
  day: number | null
  words: string
}
