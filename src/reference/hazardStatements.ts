import type { SignalWord } from '@/core/substance/lists'

/** Hazard statements of Regulation (EC) No 1272/2008 (CLP), annex III, parts 1 and 2, by code in its own spelling. */
const single: Readonly<Record<string, string>> = {
  H200: 'Unstable explosive',
  H201: 'Explosive; mass explosion hazard',
  H202: 'Explosive; severe projection hazard',
  H203: 'Explosive; fire, blast or projection hazard',
  H204: 'Fire or projection hazard',
  H205: 'May mass explode in fire',
  H206: 'Fire, blast or projection hazard; increased risk of explosion if desensitising agent is reduced',
  H207: 'Fire or projection hazard; increased risk of explosion if desensitising agent is reduced',
  H208: 'Fire hazard; increased risk of explosion if desensitising agent is reduced',
  H220: 'Extremely flammable gas',
  H221: 'Flammable gas',
  H222: 'Extremely flammable aerosol',
  H223: 'Flammable aerosol',
  H224: 'Extremely flammable liquid and vapour',
  H225: 'Highly flammable liquid and vapour',
  H226: 'Flammable liquid and vapour',
  H228: 'Flammable solid',
  H229: 'Pressurised container: may burst if heated',
  H230: 'May react explosively even in the absence of air',
  H231: 'May react explosively even in the absence of air at elevated pressure and/or temperature',
  H232: 'May ignite spontaneously if exposed to air',
  H240: 'Heating may cause an explosion',
  H241: 'Heating may cause a fire or explosion',
  H242: 'Heating may cause a fire',
  H250: 'Catches fire spontaneously if exposed to air',
  H251: 'Self-heating; may catch fire',
  H252: 'Self-heating in large quantities; may catch fire',
  H260: 'In contact with water releases flammable gases which may ignite spontaneously',
  H261: 'In contact with water releases flammable gases',
  H270: 'May cause or intensify fire; oxidiser',
  H271: 'May cause fire or explosion; strong oxidiser',
  H272: 'May intensify fire; oxidiser',
  H280: 'Contains gas under pressure; may explode if heated',
  H281: 'Contains refrigerated gas; may cause cryogenic burns or injury',
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
  H350i: 'May cause cancer by inhalation',
  H351: 'Suspected of causing cancer',
  H360: 'May damage fertility or the unborn child',
  H360F: 'May damage fertility',
  H360D: 'May damage the unborn child',
  H360FD: 'May damage fertility. May damage the unborn child',
  H360Fd: 'May damage fertility. Suspected of damaging the unborn child',
  H360Df: 'May damage the unborn child. Suspected of damaging fertility',
  H361: 'Suspected of damaging fertility or the unborn child',
  H361f: 'Suspected of damaging fertility',
  H361d: 'Suspected of damaging the unborn child',
  H361fd: 'Suspected of damaging fertility. Suspected of damaging the unborn child',
  H362: 'May cause harm to breast-fed children',
  H370: 'Causes damage to organs',
  H371: 'May cause damage to organs',
  H372: 'Causes damage to organs through prolonged or repeated exposure',
  H373: 'May cause damage to organs through prolonged or repeated exposure',
  H400: 'Very toxic to aquatic life',
  H410: 'Very toxic to aquatic life with long lasting effects',
  H411: 'Toxic to aquatic life with long lasting effects',
  H412: 'Harmful to aquatic life with long lasting effects',
  H413: 'May cause long lasting harmful effects to aquatic life',
  H420: 'Harms public health and the environment by destroying ozone in the upper atmosphere',
  EUH001: 'Explosive when dry',
  EUH014: 'Reacts violently with water',
  EUH018: 'In use, may form flammable/explosive vapour-air mixture',
  EUH019: 'May form explosive peroxides',
  EUH029: 'Contact with water liberates toxic gas',
  EUH031: 'Contact with acids liberates toxic gas',
  EUH032: 'Contact with acids liberates very toxic gas',
  EUH044: 'Risk of explosion if heated under confinement',
  EUH066: 'Repeated exposure may cause skin dryness or cracking',
  EUH070: 'Toxic by eye contact',
  EUH071: 'Corrosive to the respiratory tract',
  EUH201: 'Contains lead. Should not be used on surfaces liable to be chewed or sucked by children',
  EUH201A: 'Warning! Contains lead',
  EUH202: 'Cyanoacrylate. Danger. Bonds skin and eyes in seconds. Keep out of the reach of children',
  EUH203: 'Contains chromium(VI). May produce an allergic reaction',
  EUH204: 'Contains isocyanates. May produce an allergic reaction',
  EUH205: 'Contains epoxy constituents. May produce an allergic reaction',
  EUH206: 'Warning! Do not use together with other products. May release dangerous gases (chlorine)',
  EUH207: 'Warning! Contains cadmium. Dangerous fumes are formed during use',
  EUH208: 'Contains a sensitising substance. May produce an allergic reaction',
  EUH209: 'Can become highly flammable in use',
  EUH209A: 'Can become flammable in use',
  EUH210: 'Safety data sheet available on request',
  EUH211: 'Warning! Hazardous respirable droplets may be formed when sprayed. Do not breathe spray or mist',
  EUH212: 'Warning! Hazardous respirable dust may be formed when used. Do not breathe dust',
  EUH380: 'May cause endocrine disruption in humans',
  EUH381: 'Suspected of causing endocrine disruption in humans',
  EUH430: 'May cause endocrine disruption in the environment',
  EUH431: 'Suspected of causing endocrine disruption in the environment',
  EUH440: 'Accumulates in the environment and living organisms including in humans',
  EUH441: 'Strongly accumulates in the environment and living organisms including in humans',
  EUH450: 'Can cause long-lasting and diffuse contamination of water resources',
  EUH451: 'Can cause very long-lasting and diffuse contamination of water resources',
}

const routes = ['if swallowed', 'in contact with skin', 'if inhaled'] as const

/** The combined statements of acute toxicity, such as H301+H311: the ways in which it is fatal, toxic or harmful. */
const combined: Readonly<Record<string, string>> = Object.fromEntries(
  ['Fatal', 'Toxic', 'Harmful'].flatMap((how, degree) =>
    [
      [0, 1],
      [0, 2],
      [1, 2],
      [0, 1, 2],
    ].map((ways) => {
      const words = ways.map((way) => routes[way]!)
      const said = words.length === 2 ? words.join(' or ') : `${words[0]}, ${words[1]} or ${words[2]}`
      return [ways.map((way) => `H3${way === 0 ? 0 : way === 1 ? 1 : 3}${degree}`).join('+'), `${how} ${said}`]
    }),
  ),
)

export const hazardStatements: Readonly<Record<string, string>> = { ...single, ...combined }

/**
 * Codes as a person types them in their own spelling: case does not matter where only one code can be meant. What is none, or may be two (h360fd is H360FD or H360Fd), is said.
 */
export function readStatements(text: string): { ok: true; codes: string[] } | { ok: false; problem: string } {
  const codes: string[] = []
  for (const typed of text.split(/[\s,;]+/).filter(Boolean)) {
    if (Object.hasOwn(hazardStatements, typed)) codes.push(typed)
    else {
      const alike = Object.keys(hazardStatements).filter((code) => code.toLowerCase() === typed.toLowerCase())
      if (alike.length === 0) return { ok: false, problem: `${typed} is no hazard statement. Write codes such as H225 H319.` }
      if (alike.length > 1) return { ok: false, problem: `${typed} may be ${alike.join(' or ')}: write it as the label does.` }
      codes.push(alike[0]!)
    }
  }
  return { ok: true, codes: [...new Set(codes)] }
}

const danger = /^H(20[01235]|206|22[0245]|23[0-2]|24[01]|25[01]|260|27[01]|30[014]|31[0148]|33[014]|340|350|360|370|372)/
const warning = /^H(204|208|22[369]|252|28[01]|290|302|312|315|317|319|332|335|336|341|351|361|371|373|400|410|420)/
/** These stand with either word, by the category that the code does not tell. */
const either = /^H(207|221|228|242|261|272)/

/**
 * The signal word that statements decide (CLP, annex I, label elements of each class; article 20(3): danger leaves no room for warning): `asked` where they stand with either word, `none` where they ask for none.
 */
export function signalOf(codes: readonly string[]): SignalWord | 'asked' {
  const parts = codes.flatMap((code) => code.split('+'))
  if (parts.some((code) => danger.test(code))) return 'danger'
  if (parts.some((code) => either.test(code))) return 'asked'
  return parts.some((code) => warning.test(code)) ? 'warning' : 'none'
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
  [/^H20[0-8]$|^H22[0-8]$|^H24[0-2]$|^H25[0-2]$/, ['P210', 'P233']],
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
  const codes = hazards
    .flatMap((code) => code.split('+'))
    .flatMap((hazard) => precautionsByHazard.filter(([pattern]) => pattern.test(hazard)).flatMap(([, found]) => found))
  return [...new Set(codes)].sort()
}

/** A statement as it is printed: code and full text; the code alone where its words are not in the tables. */
export function statementText(code: string): string {
  const text = hazardStatements[code] ?? precautionaryStatements[code]
  return text ? `${code} ${text}` : code
}
