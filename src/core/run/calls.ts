import type { Entry } from './entry'

/** What asks for somebody: a hand that is up, something that happened, a note to the bench; with what was answered. */
export interface Call {
  entry: Entry<'hand' | 'incident' | 'message'>
  answers: Entry<'answer'>[]
}

/** Calls among entries that stand. */
export function callsOf(standing: readonly Entry[]): Call[] {
  const answers = new Map<string, Entry<'answer'>[]>()
  for (const entry of standing)
    if (entry.kind === 'answer') answers.set(entry.body.of, [...(answers.get(entry.body.of) ?? []), entry])
  return (
    standing
      .filter((entry): entry is Call['entry'] => entry.kind === 'hand' || entry.kind === 'incident' || entry.kind === 'message')
      // Where more was said, what was answered before holds.
      .map((entry) => ({ entry, answers: [entry.id, entry.supersedes ?? ''].flatMap((id) => answers.get(id) ?? []) }))
      .sort((a, b) => Date.parse(a.entry.at) - Date.parse(b.entry.at))
  )
}

/** Calls that nobody has seen to yet. */
export const openCalls = (calls: readonly Call[]): Call[] => calls.filter(({ answers }) => answers.length === 0)

/** Who sees to what: a person to what happened, a bench to what it was told, both to a hand. */
const seers: Readonly<Record<Call['entry']['kind'], readonly ('bench' | 'staff')[]>> = {
  hand: ['bench', 'staff'],
  incident: ['staff'],
  message: ['bench'],
}

/** Why somebody cannot answer an entry of that kind, in words; null where they can. */
export function problemWithAnswer(kind: string | undefined, by: 'bench' | 'staff'): string | null {
  const known = kind !== undefined && Object.hasOwn(seers, kind) ? seers[kind as Call['entry']['kind']] : null
  if (!known) return 'This answers nothing that was asked.'
  if (known.includes(by)) return null
  return by === 'bench' ? 'What happened is seen to by a demonstrator.' : 'A note is read by the bench that it was written to.'
}
