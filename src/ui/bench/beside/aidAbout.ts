import type { FirstAid } from '@/reference/firstAid'

/** First aid for what a log says happened: a log may hold a kind of incident that is no longer offered. */
export const aidAbout = (aid: FirstAid, what: string): readonly string[] =>
  (aid as Readonly<Record<string, readonly string[]>>)[what] ?? aid['something else']
