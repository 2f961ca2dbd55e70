import { isFlammable, statementCodes } from './statements'

const labelled = (...statements: string[]) => ({
  hazards: { signal: 'danger' as const, pictograms: [], statements, source: 'x' },
})

test('what burns is told by the code of a statement, not by its words', () => {
  for (const code of ['H224', 'H225', 'H226']) expect([code, isFlammable(labelled(`${code} as printed`))]).toEqual([code, true])
  for (const said of ['H223 Flammable aerosol', 'H227 Flammable', 'H228 Flammable solid', 'Not H225', 'H2250 flammable liquid'])
    expect([said, isFlammable(labelled(said))]).toEqual([said, false])
  expect(isFlammable({})).toBe(false)
  expect(statementCodes(labelled('EUH019 May form explosive peroxides', 'H361d'))).toEqual(['EUH019', 'H361d'])
})
