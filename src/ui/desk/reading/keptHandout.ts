import { nothingSaid, type Said } from '@/core/reading/handout/decide'
import type { Substance } from '@/core/substance/substance'

const place = 'mozle.handout'

/** What lasts over a reload of this tab, and no longer. */
export interface Kept {
  text: string
  read: boolean
  said: Said
  making?: Substance | null
}

/** What was there before the page was loaded anew. */
export function keptHandout(): Kept {
  try {
    return {
      ...{ text: '', read: false, said: nothingSaid },
      ...(JSON.parse(sessionStorage.getItem(place) ?? '{}') as Partial<Kept>),
    }
  } catch {
    return { text: '', read: false, said: nothingSaid }
  }
}

export const keepHandout = (now: Kept): void => sessionStorage.setItem(place, JSON.stringify(now))

export const forgetHandout = (): void => sessionStorage.removeItem(place)
