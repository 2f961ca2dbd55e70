import { tubesOf, type TestBlanks } from '@/core/operations/test/planner'

/** The rack: each tube with what it holds and what should be seen. */
export function TubesPicture({ filled }: { filled: Pick<TestBlanks, 'tubes'> }) {
  return (
    <ol className="rack" aria-label="Tubes of the panel">
      {tubesOf(filled).map(({ holds, what, expect }, index) => (
        <li key={index} className={expect}>
          <span className="tube" aria-hidden="true" />
          <b>{holds === 'control' ? 'positive control' : holds}</b>
          <span>{what}</span>
          <small>expected {expect}</small>
        </li>
      ))}
    </ol>
  )
}
