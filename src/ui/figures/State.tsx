import type { ReactNode } from 'react'

export type Level = 'good' | 'doubt' | 'danger' | 'open'

const signs: Record<Level, string> = { good: '=', doubt: '?', danger: '!', open: '·' }

/** A state as a sign, a colour and words, never as a colour alone. */
export function State({ level, children }: { level: Level; children: ReactNode }) {
  return (
    <span className={`state ${level}`}>
      <span className="sign" aria-hidden="true">
        {signs[level]}
      </span>
      <span>{children}</span>
    </span>
  )
}
