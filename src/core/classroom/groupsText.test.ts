import fc from 'fast-check'
import { groupChanges, longestName, mostGroups, mostMembers, readGroups, writeGroups } from './groupsText'

test('lines with commas, tabs or semicolons, with headings or without, one line a group or one line a person', () => {
  const two = [
    { bench: 1, names: ['Adeyemi', 'Kowal'] },
    { bench: 2, names: ['Brandt'] },
  ]
  for (const text of [
    '1, Adeyemi, Kowal\n2, Brandt',
    'bench,name\r\n1,Adeyemi\r\n2,Brandt\r\n1,Kowal\r\n',
    'Group\tName\n1\tAdeyemi\n1\tKowal\n2\tBrandt',
    '\ufeff1;Adeyemi;Kowal\n\n2;Brandt',
    'Bench 2, Brandt\nbench 1, Adeyemi, Kowal',
  ])
    expect(readGroups(text)).toEqual({ groups: two, problems: [] })
})

test.each([
  ['x, Kowal', 1, /no bench/],
  ['0, Kowal', 1, /no bench/],
  ['1000, Kowal', 1, /no bench/],
  ['1.5, Kowal', 1, /no bench/],
  ['3', 1, /no name/],
  ['3, ,', 1, /no name/],
  ['1, Kowal\n2, kowal', 2, /stands at bench 1 already/],
  ['1, Kowal, Kowal', 1, /twice in this line/],
  [`1, ${'a'.repeat(longestName + 1)}`, 1, /longer than/],
])('%j: line %d', (text, line, words) => {
  const { problems } = readGroups(text)
  expect(problems).toEqual([{ line, words: expect.stringMatching(words) as string }])
})

test('as many people at a bench and as many groups as there may be, and one more', () => {
  const names = (count: number) => Array.from({ length: count }, (_, at) => `n${at}`)
  expect(readGroups(`1, ${names(mostMembers).join(', ')}`).problems).toEqual([])
  expect(readGroups(`1, ${names(mostMembers + 1).join(', ')}`).problems[0]!.words).toContain('more than')
  const lines = (count: number) => names(count).map((name, at) => `${at + 1}, ${name}`)
  expect(readGroups(lines(mostGroups).join('\n')).problems).toEqual([])
  expect(readGroups(lines(mostGroups + 1).join('\n')).problems).toEqual([
    { line: mostGroups + 1, words: expect.stringContaining('at the most') as string },
  ])
  expect(readGroups(`1, ${'a'.repeat(longestName)}`).problems).toEqual([])
})

test('a bad line takes no other with it', () => {
  const { groups, problems } = readGroups('1, Adeyemi\nnobody\n2, Brandt')
  expect(groups.map(({ bench }) => bench)).toEqual([1, 2])
  expect(problems.map(({ line }) => line)).toEqual([2])
})

test('what is written is read back', () => {
  const name = fc
    .string({ minLength: 1, maxLength: 20 })
    .filter((text) => /^[\p{L}, '-]+$/u.test(text) && text.trim().replace(/\s+/g, ' ') === text)
  fc.assert(
    fc.property(fc.uniqueArray(name, { minLength: 1, maxLength: 6, selector: (text) => text.toLowerCase() }), (names) => {
      const groups = [{ bench: 4, names }]
      expect(readGroups(writeGroups(groups))).toEqual({ groups, problems: [] })
    }),
  )
})

test('what changes is said: a new bench, one given up, who joins, moves and leaves', () => {
  const before = [
    { bench: 1, names: ['Adeyemi', 'Kowal'] },
    { bench: 2, names: ['Brandt'] },
    { bench: 3, names: ['Castellan'] },
  ]
  const after = [
    { bench: 1, names: ['Adeyemi', 'Brandt'] },
    { bench: 4, names: ['Castellan', 'Dunmore'] },
  ]
  expect(groupChanges(before, after).map(({ words }) => words)).toEqual([
    'bench 4 is new',
    'bench 2 is given up',
    'bench 3 is given up',
    'Brandt moves from bench 2 to bench 1',
    'Castellan moves from bench 3 to bench 4',
    'Dunmore joins bench 4',
    'Kowal leaves bench 1',
  ])
  expect(groupChanges(before, before)).toEqual([])
})
