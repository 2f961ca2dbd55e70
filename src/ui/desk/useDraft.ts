'use client'

import { useEffect, useState, useSyncExternalStore } from 'react'
import { keptHere } from '../kept/keptHere'
import { OpenWindows } from '../kept/windows'
import { DraftKeeper } from './draftKeeper'
import type { KeptDraft, Opened, Windows } from './keptDraft'

/** The windows are only asked for in the browser; while the server draws the page nothing is kept. */
function windowsOf(preparation: string): Windows & { open?: () => void; close?: () => void } {
  return typeof window === 'undefined' ? { own: '', alive: async () => new Set() } : new OpenWindows(preparation)
}

/** The draft of one preparation on this screen, with what can be done to it. */
export function useDraft(preparation: string, opened: Opened) {
  const [windows] = useState(() => windowsOf(preparation))
  const [keeper] = useState(() => new DraftKeeper(preparation, opened, keptHere<KeptDraft>('draft'), windows))
  const draft = useSyncExternalStore(keeper.subscribe, keeper.get, keeper.get)
  useEffect(() => {
    windows.open?.()
    void keeper.start()
    window.addEventListener('online', keeper.save)
    return () => {
      window.removeEventListener('online', keeper.save)
      keeper.stop()
      windows.close?.()
    }
  }, [keeper, windows])
  const { change, travel, settle, publish, discard } = keeper
  return { ...draft, change, travel, settle, publish, discard }
}
