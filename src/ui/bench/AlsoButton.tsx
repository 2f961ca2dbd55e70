import { useState } from 'react'
import type { Also } from '@/core/measurements/due'

/** What else may be said instead of a reading; what cannot be meant lightly is asked about first. */
export function AlsoButton({ also, onTake }: { also: Also; onTake: () => void }) {
  const [sure, setSure] = useState(false)
  const { warns } = also
  if (!warns || !sure)
    return (
      <button type="button" className="plain" onClick={() => (warns ? setSure(true) : onTake())}>
        {also.label}
      </button>
    )
  return (
    <div className="question">
      <p>{warns.words}</p>
      <button type="button" className="plain" onClick={onTake}>
        {warns.keep}
      </button>
      <button type="button" className="plain" onClick={() => setSure(false)}>
        {warns.back}
      </button>
    </div>
  )
}
