/** What a group worked out by itself at the end of its run. */
export interface Worked {
  amounts: readonly { line: string; mmol: number }[]
  /** The line that sets the limit. */
  limiting?: string | undefined
  theoreticalG?: number | undefined
  percent?: number | undefined
}

/** One figure of theirs beside what their own readings give, and where it went wrong. */
export interface Checked {
  field: 'amount' | 'limiting' | 'theory' | 'percent'
  /** What it is of, in words. */
  of: string
  typed: string
  right: string
  ok: boolean
  /** Right for the figures that the group had worked out before it, which were not. */
  follows: boolean
  /** Where it went wrong; null where it did not, and where nobody can tell. */
  slip: string | null
  /** How it is worked out, with the numbers of the group. */
  working: string
}
