import { isFlammable, statementCodes } from './statements'

const labelled = (...statements: string[]) => ({
  hazards: { signal: 'danger' as const, pictograms: [], statements, source: 'x' },
})

test('what burns is told by the code of a statement, not by its words', () => {
  for (const code of ['H224', 'H225', 'H226']) expect([code, isFlammable(labelled(code))]).toEqual([code, true])
  for (const said of ['H223', 'H227', 'H228', 'EUH018']) expect([said, isFlammable(labelled(said))]).toEqual([said, false])
  expect(isFlammable({})).toBe(false)
  expect(statementCodes(labelled('EUH019', 'H361d'))).toEqual(['EUH019', 'H361d'])
})
