'use client'

import type { Disagreement } from '@/core/reading/handout/proposal'

/** What the text gets wrong, said before anything is taken. */
export function Disagreements({ all, onShow }: { all: readonly Disagreement[]; onShow: (place: Disagreement) => void }) {
  if (all.length === 0) return null
  return (
    <section className="disagrees" aria-label="What does not agree">
      <h2>The text does not agree with itself, or with what is on record</h2>
      <ul>
        {all.map((each) => (
          <li key={each.id}>
            <b>{each.title}</b> {each.words}{' '}
            {each.at.length > 0 && (
              <button type="button" className="link" aria-label={`Show where: ${each.title}`} onClick={() => onShow(each)}>
                show where
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
