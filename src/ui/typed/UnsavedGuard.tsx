'use client'

import { useEffect } from 'react'
import { Unsaved } from './unsaved'

/** What is typed on the page that is open. */
export const unsaved = new Unsaved()

const question = 'What you typed here is not saved yet. Leave the page without it?'

/** Asks before a page is left on which something is typed that is not saved: by a reload, by closing it, or by a link. */
export function UnsavedGuard() {
  useEffect(() => {
    const stop = new AbortController()
    const on = { capture: true, signal: stop.signal }
    document.addEventListener('focusin', ({ target }) => unsaved.reached(target), on)
    document.addEventListener('beforeinput', ({ target }) => unsaved.reached(target), on)
    document.addEventListener('pointerdown', ({ target }) => unsaved.reached(target), on)
    document.addEventListener('input', ({ target }) => unsaved.typed(target), on)
    document.addEventListener('submit', ({ target }) => unsaved.acted(target), on)
    document.addEventListener(
      'click',
      (event) => {
        const target = event.target instanceof Element ? event.target : null
        if (target?.closest('button')) unsaved.acted(target)
        const link = target?.closest('a')
        if (!link || link.target === '_blank' || link.hasAttribute('download') || event.ctrlKey || event.metaKey) return
        const to = new URL(link.href, location.href)
        if (to.origin !== location.origin || (to.pathname === location.pathname && to.search === location.search)) return
        // What a field saves as the cursor leaves it is on its way.
        if (unsaved.open().every((field) => field.dataset.written !== undefined)) return
        if (confirm(question)) return
        event.preventDefault()
        event.stopPropagation()
      },
      on,
    )
    window.addEventListener('beforeunload', (event) => unsaved.asks() && event.preventDefault(), on)
    window.addEventListener('mozle:saved', (event) => unsaved.saved((event as CustomEvent<number>).detail), on)
    return () => stop.abort()
  }, [])
  return null
}
