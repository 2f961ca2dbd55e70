import { WorkingFrame } from './WorkingFrame'
import type { Working } from '@/core/reaction/working'

/** A working in the margin, set as a chemist would write it. `=` in a figure comes here, Esc goes back. */
export function WorkingNote({ working, onLeave }: { working: Working; onLeave: () => void }) {
  return (
    <WorkingFrame onLeave={onLeave}>
      <h3 className="typed">Working: {working.title}</h3>
      {working.rows.map((row, index) => (
        <div key={index} className="fig" style={{ whiteSpace: 'normal' }}>
          {row.map((piece, at) => {
            if (piece.kind === 'fraction') {
              return (
                <span className="fraction" key={at}>
                  <span>{piece.over}</span>
                  <span>{piece.under}</span>
                </span>
              )
            }
            if (piece.kind === 'result') return <b key={at}>{piece.text}</b>
            return (
              <span key={at} className={piece.kind === 'letter' ? 'letter' : undefined}>
                {piece.text}
              </span>
            )
          })}
        </div>
      ))}
      {working.notes.length > 0 && (
        <div className="notes">
          {working.notes.map((note) => (
            <div key={note}>{note}</div>
          ))}
        </div>
      )}
    </WorkingFrame>
  )
}
