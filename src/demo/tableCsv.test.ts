import Papa from 'papaparse'
import { plans } from './plans'
import { acetanilide } from '@/test-support/plans'
import type { Plan } from '@/core/plan/plan'
import { spreadsheetCsv } from '@/core/format/spreadsheetCsv'
import { tableCsv } from '@/core/format/tableCsv'

const read = (plan: Plan) =>
  Papa.parse<Record<string, string>>(tableCsv(plan).replace('\ufeff', ''), { header: true, skipEmptyLines: true })

test('acetanilide, worked by hand', () => {
  const { data, errors } = read(acetanilide)
  expect(errors).toEqual([])
  const row = (substance: string) => data.find((each) => each.substance === substance)!
  // 4.00 mL × 1.022 g/mL = 4.088 g; × 0.99 ÷ 93.129 = 43.457 mmol
  expect(row('aniline')).toMatchObject({
    formula: 'C6H7N',
    role: 'reactant',
    coefficient: '1',
    'mass g': '4.088',
    'volume mL': '4',
  })
  expect(Number(row('aniline')['amount mmol'])).toBeCloseTo(43.457, 2)
  // 5.00 × 1.082 × 0.98 ÷ 102.089 = 51.933 mmol; ÷ 43.457 = 1.195
  expect(row('acetic anhydride')['excess %']).toBe('19.5')
  expect(Number(row('acetanilide')['mass g'])).toBeCloseTo(5.87393, 4)
  expect(row('zinc dust')).toMatchObject({ coefficient: '', 'excess %': '' })
})

test.each(plans.map((plan) => [plan.title, plan] as const))(
  '%s: one row to a line, in the order of the table',
  (_title, plan) => {
    const { data, errors } = read(plan)
    expect(errors).toEqual([])
    expect(data.map(({ formula }) => formula)).toEqual(
      plan.lines.map((line) => plan.substances.find(({ id }) => id === line.substance)!.formula ?? ''),
    )
    for (const row of data) {
      if (row.formula) expect(Number(row['molar mass g/mol'])).toBeGreaterThan(1)
      // mass × purity ÷ M is the amount, whichever of them was typed
      if (row['mass g'] && row['amount mmol'])
        expect((Number(row['amount mmol']) * Number(row['molar mass g/mol'])) / 1000 / Number(row['mass g'])).toBeLessThanOrEqual(
          1.0001,
        )
    }
  },
)

test('a name that a spreadsheet would run is defused', () => {
  const named = (name: string): Plan => ({
    ...acetanilide,
    substances: acetanilide.substances.map((each) => (each.id === 'aniline' ? { ...each, name } : each)),
  })
  for (const name of ['=HYPERLINK("x")', '+1', '-1', '@sum', '\tx']) expect(read(named(name)).data[0]!.substance).toBe(`'${name}`)
  expect(read(named('aniline, "pure"')).data[0]!.substance).toBe('aniline, "pure"')
})

test('a sheet has a byte-order mark and ends its lines with CRLF', () => {
  expect(spreadsheetCsv(['a', 'b'], [['1', 2]])).toBe('\ufeffa,b\r\n1,2\r\n')
})
