import { capital, uncapital } from './capital'

test('within a sentence the first letter is small, but for abbreviations and signs', () => {
  expect(uncapital('Heat under reflux')).toBe('heat under reflux')
  expect(uncapital('A mixed melting point')).toBe('a mixed melting point')
  for (const stays of ['TLC of the crude', 'pH of the water', 'N-phenylacetamide', '5 min', ''])
    expect(uncapital(stays)).toBe(stays)
  expect(uncapital('Check the NMR tube')).toBe('check the NMR tube')
  expect(capital(uncapital('Cool'))).toBe('Cool')
})
