import { printed } from '@/core/words/words'
import type { StepState } from '@/core/run/stepState'

type SignName = 'done' | 'now' | 'sign' | 'void' | 'odd' | 'skipped' | 'again' | 'ahead' | 'own' | 'twice'

/** A mark on the board; its shape and letter say what its colour says. */
export function Sign({ name }: { name: SignName }) {
  const letter = {
    done: '',
    now: '',
    sign: 'S',
    void: 'V',
    odd: '?',
    skipped: '–',
    again: '2',
    ahead: '›',
    own: '+',
    twice: '≠',
  }[name]
  return (
    <span className={`board-sign ${name}`} aria-hidden="true">
      {letter}
    </span>
  )
}

/** What is to be seen of a step, and of those that the group has put in after it. */
export function Square({ state, odd }: { state: StepState; odd: boolean }) {
  const { status, signature, step, skipped, round, ahead, putIn, twice } = state
  const signs: { name: SignName; words: string }[] = []
  if (signature.state === 'due') signs.push({ name: 'sign', words: 'waits for a signature' })
  else if (signature.state === 'void') signs.push({ name: 'void', words: 'signature void' })
  if (putIn) signs.push({ name: 'own', words: status === 'done' ? 'put in, done' : 'put in' })
  if (twice.length > 0) signs.push({ name: 'twice', words: 'two figures for one reading' })
  if (odd) signs.push({ name: 'odd', words: 'odd reading' })
  if (skipped !== null) signs.push({ name: 'skipped', words: `left out: ${skipped}` })
  if (round > 1) signs.push({ name: 'again', words: `done ${round} times` })
  if (ahead !== null) signs.push({ name: 'ahead', words: `out of turn: ${ahead}` })
  if (signs.length === 0 && status !== 'later') signs.push({ name: status, words: status })
  return (
    <>
      {signs.map(({ name }) => (
        <Sign key={name} name={name} />
      ))}
      <span className="visually-hidden">
        {printed(step.title)}: {signs.map(({ words }) => words).join(', ') || 'not yet'}
      </span>
    </>
  )
}
