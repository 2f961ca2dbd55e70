import { readers } from './deeds'
import { stay, type Place } from './making'
import { found, type Seen } from './seen'
import { overlap, within, type Span } from './span'
import type { ReadStep } from './step'
import { untilWhen } from './words'

/** Where the work stands after a step. */
function after(place: Place, steps: readonly ReadStep[], seen: Seen): void {
  for (const { operation } of steps) {
    if (operation === 'filter') place.at = 'filter'
    else if (operation === 'extract' || operation === 'wash' || (operation === 'pour' && /separat/i.test(seen.text)))
      place.at = 'funnel'
    else if (operation === 'charge' || operation === 'crystallise' || operation === 'dissolve')
      place.at = place.at === 'funnel' ? 'funnel' : 'flask'
  }
  if (/separat(?:ing|ory) funnel/i.test(seen.text)) place.at = 'funnel'
  if (/reflux condenser/i.test(seen.text)) place.condenser = true
  if (steps.some(({ operation }) => operation === 'distil' || operation === 'filter')) place.condenser = false
}

/** A wait that only leads up to the verb behind it: `let it`, `allow to`. */
const leadsUp = (seen: Seen, next: Seen | undefined) =>
  seen.verb?.deed === 'hold' &&
  next?.sentence === seen.sentence &&
  seen.figures.length === 0 &&
  seen.portions.length === 0 &&
  (seen.text.length < 34 || /\b(?:let|allow(?:ed)?|leave|left)\s+(?:it|them|the \w+(?: \w+)?)?\s*(?:to\s*)?$/i.test(seen.text))

/** The steps of a text, in its order; a sentence without a deed goes to the step before it. */
export function stepsOf(clauses: readonly Seen[], isWarning: (sentence: Span) => boolean): ReadStep[] {
  const place: Place = { at: 'flask', condenser: false, steps: [] }
  const early: Span[] = []
  let lead: number | undefined
  clauses.forEach((seen, index) => {
    const last = place.steps.at(-1)
    const whole = seen.sentence
    if (isWarning(whole)) {
      if (last && !last.warnings.some((each) => overlap(each, whole))) last.warnings.push(whole)
      return
    }
    if (leadsUp(seen, clauses[index + 1])) {
      lead = seen.from
      return
    }
    const made = (seen.verb ? readers[seen.verb.deed](seen, place) : []).map((each) =>
      lead === undefined ? each : { ...each, from: lead },
    )
    lead = undefined
    place.steps.push(...made)
    after(place, made, seen)
    const understood = made.length > 0 || place.steps.some((each) => within(seen, each))
    const again = /^\W*repeat/i.test(seen.text) ? found(seen, untilWhen) : undefined
    if (again && last) {
      last.until ??= again
      stay(last, seen)
    } else if (!understood) (last ? last.words : early).push({ from: seen.from, to: seen.to })
  })
  if (place.steps[0] && early.length > 0) place.steps[0].words.unshift(...early)
  return place.steps
}
