/**
 * What an instrument says, one line each (docs/instruments.md): `READ 27.483 g stable`, `READ 113.2 C melting`, `READ 1.4003 nD 24.1 C`. The same words come from a balance at a serial port and from
 * a stand-in on the loopback.
 */
export interface InstrumentReading {
  value: number
  /** Digits after the point as it shows them. */
  decimals: number
  unit: 'g' | 'C' | 'nD'
  /** Whether the figure stands; for a melting apparatus what is seen in the capillary. */
  state: string
  /** The temperature at which an index was read, °C. */
  atC?: number
}

export type InstrumentKind = 'balance' | 'thermometer' | 'melting' | 'refractometer'

/** An instrument that a server can ask, and a bench read with one press. */
export interface KnownInstrument {
  kind: InstrumentKind
  name: string
  standIn: boolean
}

export const instrumentKinds = ['balance', 'thermometer', 'melting', 'refractometer'] as const satisfies readonly InstrumentKind[]

const number = String.raw`([+-]?\d{1,7}(?:\.\d{1,6})?)`
const patterns = {
  plain: new RegExp(`^READ ${number} (g|C) ([a-z]{2,12})$`),
  index: new RegExp(`^READ ${number} nD ${number} C$`),
}

const decimalsIn = (text: string): number => text.split('.')[1]?.length ?? 0

/** Reads the answer to READ. @throws RangeError for a line that says nothing of the kind */
export function readingIn(line: string): InstrumentReading {
  const text = line.trim()
  const plain = patterns.plain.exec(text)
  if (plain) return { value: Number(plain[1]), decimals: decimalsIn(plain[1]!), unit: plain[2] as 'g' | 'C', state: plain[3]! }
  const index = patterns.index.exec(text)
  if (index)
    return { value: Number(index[1]), decimals: decimalsIn(index[1]!), unit: 'nD', state: 'stable', atC: Number(index[2]) }
  throw new RangeError(`The instrument said “${text.slice(0, 60)}”, which is no reading.`)
}

/** Who an instrument is: `WHO balance stand-in Balance 1`. */
export interface InstrumentName {
  kind: InstrumentKind
  /** A program that plays the instrument. */
  standIn: boolean
  name: string
}

/** Reads the answer to WHO. @throws RangeError */
export function nameIn(line: string): InstrumentName {
  const [, kind, nature, name] = /^WHO ([a-z]+) (real|stand-in) (.{1,40})$/.exec(line.trim()) ?? []
  if (!instrumentKinds.some((each) => each === kind)) throw new RangeError('The instrument does not say what it is.')
  return { kind: kind as InstrumentKind, standIn: nature === 'stand-in', name: name! }
}
