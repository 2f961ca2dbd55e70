import Papa from 'papaparse'

/** A group of a section: its bench, and the names of those who share it. */
export interface GroupNames {
  bench: number
  names: string[]
}

/** Something in a line that cannot stand. */
export interface LineProblem {
  /** Counted from 1. */
  line: number
  words: string
}

export const mostGroups = 60
export const mostMembers = 6
export const longestName = 60

const headings = /^(bench|group|place)$/i

/**
 * Groups from text that was typed, pasted from a spreadsheet or read from a CSV file: each line a bench and one or more names, parted by commas, semicolons or tabs; several lines may name the same bench. A first line of
 * headings is passed over.
 * What cannot stand is said line by line, and the other lines are read.
 */
export function readGroups(text: string): { groups: GroupNames[]; problems: LineProblem[] } {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    delimitersToGuess: ['\t', ';', ','],
    skipEmptyLines: false,
  })
  const problems: LineProblem[] = []
  const groups = new Map<number, string[]>()
  const seen = new Map<string, number>()
  data.forEach((cells, index) => {
    const row = cells.map((cell) => cell.trim().replace(/\s+/g, ' '))
    const line = index + 1
    if (row.every((cell) => cell === '') || (groups.size === 0 && headings.test(row[0] ?? ''))) return
    const bench = Number(row[0]?.replace(/^bench\s*/i, ''))
    const names = row.slice(1).filter(Boolean)
    const problem = problemOf(row[0] ?? '', bench, names, seen)
    if (problem) return void problems.push({ line, words: problem })
    const members = groups.get(bench) ?? []
    if (members.length + names.length > mostMembers)
      return void problems.push({
        line,
        words: `Bench ${bench} would have more than ${mostMembers} people. Give some a bench of their own.`,
      })
    if (!groups.has(bench) && groups.size >= mostGroups)
      return void problems.push({
        line,
        words: `A section has ${mostGroups} groups at the most. Put these into another section.`,
      })
    names.forEach((name) => seen.set(name.toLowerCase(), bench))
    groups.set(bench, [...members, ...names])
  })
  return {
    groups: [...groups].map(([bench, names]) => ({ bench, names })).sort((a, b) => a.bench - b.bench),
    problems,
  }
}

function problemOf(
  first: string,
  bench: number,
  names: readonly string[],
  seen: ReadonlyMap<string, number>,
): string | undefined {
  if (first === '' || !Number.isInteger(bench) || bench < 1 || bench > 999)
    return `“${first}” is no bench. Begin the line with a number from 1 to 999, then the names: 3, Kowal, Osei.`
  if (names.length === 0) return `Bench ${bench} has no name after it. Write who works there: ${bench}, Kowal, Osei.`
  const long = names.find((name) => name.length > longestName)
  if (long) return `“${long.slice(0, 20)}…” is longer than ${longestName} letters. Shorten it.`
  const twice = names.find(
    (name, at) => seen.has(name.toLowerCase()) || names.findIndex((each) => each.toLowerCase() === name.toLowerCase()) < at,
  )
  if (twice) {
    const at = seen.get(twice.toLowerCase())
    return at === undefined
      ? `${twice} stands twice in this line. Tell two of the same name apart, by an initial.`
      : `${twice} stands at bench ${at} already. Take one of them out, or tell the two apart by an initial.`
  }
  return undefined
}

/** Groups as they are typed: a line each. Names with a comma in them stand in quotes. */
export const writeGroups = (groups: readonly GroupNames[]): string =>
  groups
    .map(({ bench, names }) => {
      const line = Papa.unparse([[String(bench), ...names]])
      // Quotes stand right behind their comma; without any the line is easier on the eye.
      return line.includes('"') ? line : line.replaceAll(',', ', ')
    })
    .join('\n')

/** A change that saving would make, in words. */
export interface GroupChange {
  kind: 'new' | 'joins' | 'leaves' | 'moves' | 'given up'
  words: string
}

/** What is different between the groups as they are and as they would be. */
export function groupChanges(before: readonly GroupNames[], after: readonly GroupNames[]): GroupChange[] {
  const benchOf = (groups: readonly GroupNames[]) =>
    new Map(groups.flatMap(({ bench, names }) => names.map((name) => [name.toLowerCase(), { name, bench }] as const)))
  const [was, is] = [benchOf(before), benchOf(after)]
  const had = new Set(before.map(({ bench }) => bench))
  const has = new Set(after.map(({ bench }) => bench))
  const moved: GroupChange[] = [...is.values()].flatMap(({ name, bench }): GroupChange[] => {
    const old = was.get(name.toLowerCase())
    if (!old) return [{ kind: 'joins', words: `${name} joins bench ${bench}` }]
    return old.bench === bench ? [] : [{ kind: 'moves', words: `${name} moves from bench ${old.bench} to bench ${bench}` }]
  })
  return [
    ...[...has].filter((bench) => !had.has(bench)).map((bench): GroupChange => ({ kind: 'new', words: `bench ${bench} is new` })),
    ...[...had]
      .filter((bench) => !has.has(bench))
      .map((bench): GroupChange => ({ kind: 'given up', words: `bench ${bench} is given up` })),
    ...moved,
    ...[...was.values()]
      .filter(({ name }) => !is.has(name.toLowerCase()))
      .map(({ name, bench }): GroupChange => ({ kind: 'leaves', words: `${name} leaves bench ${bench}` })),
  ]
}
