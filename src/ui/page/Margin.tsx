'use client'

import { memo, useLayoutEffect, useRef, type ReactNode } from 'react'

export interface MarginNote {
  key: string
  /** Value of the `data-about` of the line it speaks about. */
  about: string
  /** Kept above the lower edge of the window, because it answers where the cursor is. */
  inView?: boolean
  node: ReactNode
}

/** Space between two notes, px. */
const gap = 14

/**
 * The margin of a page: each note stands beside the line it is about, pushed down where two would overlap. On a narrow screen
 * the notes follow the page in their order.
 */
export const Margin = memo(function Margin({ notes, label }: { notes: MarginNote[]; label: string }) {
  const margin = useRef<HTMLElement>(null)
  // Placed anew when a note comes, goes or grows, or the page does: not at every key, for that would lay the page out twice.
  const which = notes.map(({ key, about, inView }) => `${key} ${about} ${inView ? 'in view' : ''}`).join('\n')
  useLayoutEffect(() => {
    const element = margin.current
    const page = element?.previousElementSibling
    if (!element || !page) return
    const place = () => {
      const top = element.getBoundingClientRect().top
      let free = 14
      const lines = linesOf(page)
      const placed = [...element.querySelectorAll<HTMLElement>('.margin-note')].map((note) => {
        const line = lines.get(note.dataset.for ?? '')
        const beside = line ? line.getBoundingClientRect().top - top : 0
        const lowest = window.innerHeight - top - note.offsetHeight - gap
        const height = note.offsetHeight
        return { note, height, wanted: note.dataset.inView ? Math.min(beside, Math.max(lowest, 0)) : beside }
      })
      // All is measured before anything moves: a measure after a move would lay the page out again.
      // The note in view takes its place first; the others go around it.
      placed.sort((a, b) => a.wanted - b.wanted)
      const first = placed.find(({ note }) => note.dataset.inView)
      const kept = first && { from: first.wanted, to: first.wanted + first.height + gap }
      for (const { note, height, wanted } of placed) {
        let at = Math.max(free, wanted)
        if (kept && note === first.note) at = kept.from
        else if (kept && at < kept.to && at + height + gap > kept.from) at = kept.to
        note.style.top = `${at}px`
        if (note !== first?.note) free = at + height + gap
      }
      if (kept) free = Math.max(free, kept.to)
      element.style.minHeight = `${free}px`
    }
    place()
    const observer = new ResizeObserver(place)
    observer.observe(page)
    element.querySelectorAll('.margin-note').forEach((note) => observer.observe(note))
    return () => observer.disconnect()
  }, [which])
  return (
    <aside className="margin" ref={margin} aria-label={label}>
      {notes.map(({ key, about, inView, node }) => (
        <section className="margin-note" key={key} data-for={about} data-in-view={inView}>
          {node}
        </section>
      ))}
    </aside>
  )
})

/** The first line of the page about each thing: one walk through the page, not one for each note. */
function linesOf(page: Element): ReadonlyMap<string, HTMLElement> {
  const lines = new Map<string, HTMLElement>()
  for (const line of page.querySelectorAll<HTMLElement>('[data-about]')) {
    const about = line.dataset.about!
    if (!lines.has(about)) lines.set(about, line)
  }
  return lines
}
