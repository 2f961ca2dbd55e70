'use client'

import { createContext, type ReactNode } from 'react'

/** What the stores and the room have for this bench: where each waste goes, by the step, and vials that were weighed beforehand. */
export interface PreparedShown {
  waste: Readonly<Record<string, readonly { stream: string; place: string }[]>>
  vials: readonly { name: string; massG: number; decimals: number; capped: boolean }[]
}

export const PreparedHere = createContext<PreparedShown>({ waste: {}, vials: [] })

export function Prepared({ value, children }: { value: PreparedShown; children: ReactNode }) {
  return <PreparedHere.Provider value={value}>{children}</PreparedHere.Provider>
}
