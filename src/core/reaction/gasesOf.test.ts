import { meetings, gasesOf, gasOf } from './meetings'

const meeting = (one: string, other: string) => meetings.find((each) => each.one === one && each.other === other)!
const withWater = (formula: string) => gasesOf(meeting('water-reactive', 'water'), { formula })

test('thionyl chloride gives two of hydrogen chloride and one of sulfur dioxide, by hand: 10 mmol, 20 and 10', () => {
  const water = { substance: { formula: 'H2O' }, mmol: Infinity }
  const given = withWater('SOCl2').map((gas) => [
    gas.of,
    gasOf(gas, meeting('water-reactive', 'water'), { substance: { formula: 'SOCl2' }, mmol: 10 }, water),
  ])
  expect(given).toEqual([
    ['hydrogen chloride', 20],
    ['sulfur dioxide', 10],
  ])
})
test.each([
  ['PCl3', 'hydrogen chloride', 3],
  ['POCl3', 'hydrogen chloride', 3],
  ['PCl5', 'hydrogen chloride', 5],
  ['PBr3', 'hydrogen bromide', 3],
  ['C2H3ClO', 'hydrogen chloride', 1],
])('%s in water gives %s, %d to the mole', (formula, of, perOne) => {
  expect(withWater(formula)).toEqual([{ of, perOne, needs: 0 }])
})
test('what gives no gas, and what nobody has written down, gives none', () => {
  expect(withWater('P4O10')).toEqual([])
  expect(gasesOf(meeting('acyl halide', 'amine'), { formula: 'C2H3ClO' })).toEqual([])
})
test('an acyl bromide gives hydrogen bromide with alcohol, a chloride hydrogen chloride', () => {
  const of = (formula: string) => gasesOf(meeting('acyl halide', 'alcohol'), { formula }).map((gas) => gas.of)
  expect(of('C2H3BrO')).toEqual(['hydrogen bromide'])
  expect(of('C2H3ClO')).toEqual(['hydrogen chloride'])
})
