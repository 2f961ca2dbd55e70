/** Which pictogram goes with which hazard statement: Regulation (EC) No 1272/2008 (CLP), annex I and article 26 on precedence. */
const byStatement: readonly [RegExp, string][] = [
  [/^H20[0-5]|^H24[01]/, 'GHS01'],
  [/^H20[6-8]|^H22[0-8]|^H23[0-2]|^H24[12]|^H25[0-2]|^H26[01]/, 'GHS02'],
  [/^H27[0-2]/, 'GHS03'],
  [/^H28[01]/, 'GHS04'],
  [/^H290|^H314|^H318/, 'GHS05'],
  [/^H3[013][01]/, 'GHS06'],
  [/^H3[013]2|^H315|^H317|^H319|^H33[56]|^H420/, 'GHS07'],
  [/^H304|^H334|^H34[01]|^H35[01]|^H36[01]|^H37[0-3]/, 'GHS08'],
  [/^H4(00|10|11)/, 'GHS09'],
]

/** The pictograms that go with statements, in their order: the skull leaves no room for the exclamation mark, corrosion none for irritation. */
export function pictogramsOf(statements: readonly string[]): string[] {
  const parts = statements.flatMap((statement) => statement.split('+'))
  const found = byStatement.filter(([pattern]) => parts.some((statement) => pattern.test(statement))).map(([, code]) => code)
  const has = (code: string) => found.includes(code)
  const beyondIrritation = parts.some((statement) => /^H3[013]2|^H317|^H33[56]|^H420/.test(statement))
  return found.filter((code) => code !== 'GHS07' || (!has('GHS06') && (!has('GHS05') || beyondIrritation)))
}
