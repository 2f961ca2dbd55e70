import { writeNumber } from '../quantity/write'
import { substanceOf, type Form, type Line, type Plan } from './plan'

/** The strength of what is in the bottle, as it stands before a name: `3 mol/L`; empty for what has none, and while nobody has said it. */
export function strengthText(form: Form): string {
  if (form.kind === 'solution') return form.molPerL === undefined ? '' : `${form.molPerL} mol/L`
  if (form.kind === 'mass-volume') return form.gPer100ML === undefined ? '' : `${form.gPer100ML} %`
  if (form.kind === 'mass-fraction') return form.fraction === undefined ? '' : `${writeNumber(100 * form.fraction, 0)} %`
  return ''
}

const places = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth']

/** The name of a line: that of its substance, and where several lines have the same one what tells them apart: the strength, else the note, else the part it plays, else the place in the table. */
export function lineName(plan: Plan, line: Line): string {
  const name = substanceOf(plan, line).name
  const alike = plan.lines.filter((other) => substanceOf(plan, other).name === name)
  if (alike.length < 2) return name
  const apart = (of: (line: Line) => string) =>
    new Set(alike.map(of)).size === alike.length && alike.every((each) => of(each) !== '')
  if (apart(({ form }) => strengthText(form))) return `${strengthText(line.form)} ${name}`
  if (apart(({ note = '' }) => note)) return `${name}, ${line.note}`
  if (apart(({ role }) => role)) return `${name}, as ${line.role}`
  const place = alike.findIndex(({ id }) => id === line.id)
  return `${name}, the ${places[place] ?? `${place + 1}th`}`
}
