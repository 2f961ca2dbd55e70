'use client'

import { NumberPad } from './NumberPad'
import { ReadingField } from './ReadingField'

export interface Face<K extends string> {
  key: K
  label: string
  hint: string
  unit: string
}

interface Props<K extends string> {
  faces: readonly Face<K>[]
  texts: Readonly<Record<K, string>>
  /** The face that the number keys type into. */
  at: K
  onAt: (key: K) => void
  onText: (key: K, text: string) => void
  onEnter: () => void
  problem: string | undefined
  /** What stands between the faces and the keys. */
  children?: React.ReactNode
}

/** One or two readings that make one line of the book, over the number keys that type into the one that is active. */
export function SideBySide<K extends string>({ faces, texts, at, onAt, onText, onEnter, problem, children }: Props<K>) {
  return (
    <>
      <div className={faces.length > 1 ? 'head-fields' : 'head-fields one'}>
        {faces.map(({ key, label, hint, unit }) => (
          <div key={key} className="melting-field">
            <span className="hint">{hint}</span>
            <ReadingField
              label={label}
              unit={unit}
              value={texts[key]}
              active={at === key}
              onFocus={() => onAt(key)}
              onValue={(value) => onText(key, value)}
              onEnter={onEnter}
            />
          </div>
        ))}
      </div>
      {children}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <NumberPad value={texts[at]} onValue={(value) => onText(at, value)} />
    </>
  )
}
