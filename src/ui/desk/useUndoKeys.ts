import { useEffect } from 'react'

/** Ctrl+Z and Ctrl+Y, or Ctrl+Shift+Z, take the plan back and forth. Half-typed text has its own undo; the plan's begins where that ends. */
export function useUndoKeys(travel: (direction: 'undo' | 'redo') => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return
      const key = event.key.toLowerCase()
      const direction =
        key === 'z' && !event.shiftKey ? 'undo' : key === 'y' || (key === 'z' && event.shiftKey) ? 'redo' : undefined
      const field = document.activeElement
      if (!direction || field instanceof HTMLTextAreaElement || document.querySelector('.cell.editing')?.contains(field)) return
      event.preventDefault()
      travel(direction)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [travel])
}
