/** Hazard statements of the GHS (H) and of Regulation (EC) No 1272/2008 (EUH), by code. */
export const hazardStatements: Readonly<Record<string, string>> = {
  H224: 'Extremely flammable liquid and vapour',
  H225: 'Highly flammable liquid and vapour',
  H226: 'Flammable liquid and vapour',
  H228: 'Flammable solid',
  H242: 'Heating may cause a fire',
  H251: 'Self-heating; may catch fire',
  H260: 'In contact with water releases flammable gases which may ignite spontaneously',
  H261: 'In contact with water releases flammable gases',
  H270: 'May cause or intensify fire; oxidiser',
  H271: 'May cause fire or explosion; strong oxidiser',
  H272: 'May intensify fire; oxidiser',
  H280: 'Contains gas under pressure; may explode if heated',
  H290: 'May be corrosive to metals',
  H300: 'Fatal if swallowed',
  H301: 'Toxic if swallowed',
  H302: 'Harmful if swallowed',
  H304: 'May be fatal if swallowed and enters airways',
  H310: 'Fatal in contact with skin',
  H311: 'Toxic in contact with skin',
  H312: 'Harmful in contact with skin',
  H314: 'Causes severe skin burns and eye damage',
  H315: 'Causes skin irritation',
  H317: 'May cause an allergic skin reaction',
  H318: 'Causes serious eye damage',
  H319: 'Causes serious eye irritation',
  H330: 'Fatal if inhaled',
  H331: 'Toxic if inhaled',
  H332: 'Harmful if inhaled',
  H334: 'May cause allergy or asthma symptoms or breathing difficulties if inhaled',
  H335: 'May cause respiratory irritation',
  H336: 'May cause drowsiness or dizziness',
  H340: 'May cause genetic defects',
  H341: 'Suspected of causing genetic defects',
  H350: 'May cause cancer',
  H351: 'Suspected of causing cancer',
  H360D: 'May damage the unborn child',
  H360F: 'May damage fertility',
  H360FD: 'May damage fertility. May damage the unborn child',
  H361: 'Suspected of damaging fertility or the unborn child',
  H361d: 'Suspected of damaging the unborn child',
  H361f: 'Suspected of damaging fertility',
  H370: 'Causes damage to organs',
  H372: 'Causes damage to organs through prolonged or repeated exposure',
  H373: 'May cause damage to organs through prolonged or repeated exposure',
  H400: 'Very toxic to aquatic life',
  H410: 'Very toxic to aquatic life with long lasting effects',
  H411: 'Toxic to aquatic life with long lasting effects',
  H412: 'Harmful to aquatic life with long lasting effects',
  EUH014: 'Reacts violently with water',
  EUH019: 'May form explosive peroxides',
  EUH029: 'Contact with water liberates toxic gas',
  EUH031: 'Contact with acids liberates toxic gas',
  EUH032: 'Contact with acids liberates very toxic gas',
  EUH066: 'Repeated exposure may cause skin dryness or cracking',
}

/** Precautionary statements of the GHS, by code: those that a teaching laboratory acts on. */
export const precautionaryStatements: Readonly<Record<string, string>> = {
  P210: 'Keep away from heat, hot surfaces, sparks, open flames and other ignition sources. No smoking',
  P220: 'Keep away from clothing and other combustible materials',
  P223: 'Do not allow contact with water',
  P233: 'Keep container tightly closed',
  P260: 'Do not breathe dust, fume, gas, mist, vapours or spray',
  P261: 'Avoid breathing dust, fume, gas, mist, vapours or spray',
  P264: 'Wash hands thoroughly after handling',
  P270: 'Do not eat, drink or smoke when using this product',
  P271: 'Use only outdoors or in a well-ventilated area',
  P273: 'Avoid release to the environment',
  P280: 'Wear protective gloves, protective clothing, eye protection and face protection',
  'P301+P310': 'If swallowed: immediately call a poison centre or doctor',
  'P301+P330+P331': 'If swallowed: rinse mouth. Do not induce vomiting',
  'P303+P361+P353': 'If on skin or hair: take off immediately all contaminated clothing. Rinse skin with water',
  'P304+P340': 'If inhaled: remove person to fresh air and keep comfortable for breathing',
  'P305+P351+P338':
    'If in eyes: rinse cautiously with water for several minutes. Remove contact lenses, if present and easy to do. Continue rinsing',
  'P308+P313': 'If exposed or concerned: get medical advice or attention',
  'P333+P313': 'If skin irritation or rash occurs: get medical advice or attention',
  P391: 'Collect spillage',
}

const precautionsByHazard: readonly [RegExp, string[]][] = [
  [/^H22[4-8]$|^H242$/, ['P210', 'P233']],
  [/^H27[0-2]$/, ['P210', 'P220']],
  [/^H26[01]$|^EUH014$|^EUH029$/, ['P223']],
  [/^H30[01]$|^H304$/, ['P264', 'P270', 'P301+P310']],
  [/^H302$/, ['P264', 'P270']],
  [/^H31[0-2]$/, ['P280', 'P303+P361+P353']],
  [/^H314$/, ['P260', 'P280', 'P301+P330+P331', 'P303+P361+P353', 'P305+P351+P338']],
  [/^H31[89]$/, ['P280', 'P305+P351+P338']],
  [/^H31[57]$/, ['P280', 'P333+P313']],
  [/^H33[0-2]$/, ['P260', 'P271', 'P304+P340']],
  [/^H33[4-6]$/, ['P261', 'P271', 'P304+P340']],
  [/^H3[4-7]\d/, ['P260', 'P280', 'P308+P313']],
  [/^H4\d\d$/, ['P273', 'P391']],
]

/** Precautionary statement codes that go with hazard statements: a selection from annex 3 of the GHS, in the order of their numbers. */
export function precautionsFor(hazards: readonly string[]): string[] {
  const codes = hazards.flatMap((hazard) =>
    precautionsByHazard.filter(([pattern]) => pattern.test(hazard)).flatMap(([, found]) => found),
  )
  return [...new Set(codes)].sort()
}

/** A statement as it is printed: code and full text. @throws for a code that is not in the tables. */
export function statementText(code: string): string {
  const text = hazardStatements[code] ?? precautionaryStatements[code]
  if (!text) throw new Error(`There is no hazard or precautionary statement “${code}”.`)
  return `${code} ${text}`
}
