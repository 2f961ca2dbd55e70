import type { ReactNode } from 'react'

/** What answers the cursor in the margin: `=` in a figure or a blank comes here, Esc goes back. */
export function WorkingFrame({ onLeave, children }: { onLeave: () => void; children: ReactNode }) {
  return (
    <div
      className="working"
      role="status"
      tabIndex={-1}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onLeave()
      }}
    >
      {children}
    </div>
  )
}
