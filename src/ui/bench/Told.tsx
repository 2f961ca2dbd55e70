import type { Entry } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { openCalls } from '@/core/run/calls'
import { clockTime } from '../time'
import type { Write } from './write'

/** What was said to this bench and is not read yet, and whether its own hand is up. */
export function Told({ run, zone, write }: { run: RunState; zone: string; write: Write }) {
  const open = openCalls(run.calls)
  const answered = run.calls.flatMap(({ entry, answers }) =>
    entry.kind === 'incident' && answers.length > 0 ? [{ entry, answer: answers.at(-1)! }] : [],
  )
  return (
    <>
      {open.map(({ entry }) =>
        entry.kind === 'message' ? (
          <section className="pad told" key={entry.id} role="alert" aria-label="Note from the demonstrator">
            <h2>{entry.by}:</h2>
            <p>{entry.body.text}</p>
            <button type="button" className="go" onClick={() => write('answer', entry.step, { of: entry.id, text: '' })}>
              We have read it
            </button>
          </section>
        ) : entry.kind === 'hand' ? (
          <section className="pad told" key={entry.id} role="status" aria-label="Our hand is up">
            <h2>Our hand is up</h2>
            <p className="hint">Since {clockTime(entry.at, zone)}. A demonstrator sees it.</p>
            <button type="button" className="plain" onClick={() => write('answer', entry.step, { of: entry.id, text: '' })}>
              We need nobody any more
            </button>
          </section>
        ) : (
          <Happened key={entry.id} entry={entry as Entry<'incident'>} zone={zone} words="They are told." />
        ),
      )}
      {answered.slice(-1).map(({ entry, answer }) => (
        <Happened
          key={entry.id}
          entry={entry as Entry<'incident'>}
          zone={zone}
          words={`${answer.by} has seen to it, ${clockTime(answer.at, zone)}. ${answer.body.text}`}
        />
      ))}
    </>
  )
}

const Happened = ({ entry, zone, words }: { entry: Entry<'incident'>; zone: string; words: string }) => (
  <section className="pad told" role="status" aria-label="What happened">
    <h2>
      {entry.body.what}, {clockTime(entry.at, zone)}
    </h2>
    <p className="hint">{words}</p>
  </section>
)
