/** The table of reactions as a safety officer reads it: docs/reactions.md is made from it, and has to be as it is. */
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { rows, type Row } from '@/core/matter/reactions/row'

const file = path.join(process.cwd(), 'docs/reactions.md')

const grades: readonly [Row['grade'], string, string][] = [
  ['kills', 'May kill', 'The author is asked, whatever the step is there for; no measure answers it.'],
  ['injures', 'May injure', 'The author is asked, unless the step is there for it and the row has a measure for that.'],
  ['heed', 'To be heeded', 'Gas, heat and measure are told where it happens; nobody is asked.'],
  ['ordinary', 'Only warm', 'Heat of what is done every day.'],
]

const heat = ({ kJ }: Row) => (kJ === 'unknown' ? '' : ` Heat ${kJ.low} to ${kJ.high} kJ to the mole, as a rule ${kJ.likely}.`)

function told(row: Row): string {
  const who = `**${row.one}** and **${row.other}**${row.order ? ', which is put to it,' : ''}${row.with ? ` with **${row.with}**` : ''}`
  const gas = row.gas ? ` Gas: ${row.gas.of}.` : ''
  const meant = row.meant ? ` Where it is meant (${row.meant.purpose}): ${row.meant.measure}` : ''
  return `- ${who}: ${row.happens ?? 'heat comes off'}.${gas}${heat(row)}${row.instead ? ` ${row.instead}` : ''}${meant}`
}

function text(): string {
  const parts = grades.map(([grade, title, says]) => {
    const own = rows.filter((row) => row.grade === grade)
    return `## ${title} (${own.length})\n\n${says}\n\n${own.map(told).join('\n')}\n`
  })
  const sources = [...new Set(rows.map(({ source }) => source))].map((source) => `- ${source}`)
  return `# What meets what\n\nEvery pair that the program knows, by how grave it is. It is no list of all that is dangerous: what is not here nobody has written yet, and the safety data sheets, local rules and the qualified person decide.\n\n${parts.join('\n')}\n## Sources\n\n${sources.join('\n')}\n`
}

test('docs/reactions.md is the table of reactions', () => {
  if (process.env.MOZLE_FIGURES === 'write') writeFileSync(file, text())
  expect(readFileSync(file, 'utf8')).toBe(text())
})

test('each pair stands once in the same company', () => {
  const names = rows
    .filter(({ order }) => !order)
    .map(({ one, other, with: third }) => [[one, other].sort().join(' + '), third].join(' '))
  expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([])
})
