/** What each role may do, in a few words for who gives it. */
export const roleWords = {
  owner: 'writes plans, sets sessions, looks after people',
  demonstrator: 'watches the benches, signs, hands out codes',
  stores: 'keeps the shelf, sees what is set',
  reader: 'reads published plans and results',
} as const

export type Role = keyof typeof roleWords
export const roleNames = Object.keys(roleWords) as Role[]
