import type { ReactNode } from 'react'

/** Sentences with a blank wherever `{key}` or `{@key}` stands. */
export function Sentences({ sentences, blank }: { sentences: readonly string[]; blank: (key: string) => ReactNode }) {
  return sentences.map((sentence, at) => (
    <div className="sentence" key={at}>
      {sentence.split(/(\{@?\w+\})/).map((part, index) => {
        const key = /^\{(@?\w+)\}$/.exec(part)?.[1]
        return <span key={index}>{key === undefined ? part : blank(key)}</span>
      })}
    </div>
  ))
}
