'use client'

import { useEffect, useState, useSyncExternalStore } from 'react'
import type { Plan } from '@/core/plan/plan'
import { DraftKeeper, type Base } from './draftKeeper'

/** The draft of one preparation on this screen, with what can be done to it. */
export function useDraft(preparation: string, opened: { base: Base; plan: Plan }) {
  const [keeper] = useState(() => new DraftKeeper(preparation, opened, () => localStorage))
  const draft = useSyncExternalStore(keeper.subscribe, keeper.get, keeper.get)
  useEffect(() => {
    keeper.start()
    window.addEventListener('online', keeper.save)
    return () => {
      window.removeEventListener('online', keeper.save)
      keeper.stop()
    }
  }, [keeper])
  const { change, travel, settle, publish } = keeper
  return { ...draft, change, travel, settle, publish }
}
