import { mmHgPerKPa } from '../quantity/pressure'
import type { WasteStream } from '../substance/lists'

/**
 * What is set once for a laboratory: the pressure that its liquids boil at, and the school it follows where schools differ.
 * Everything else of a preparation stands in its plan.
 */
export interface Lab {
  pressure: { by: PressureWay; value: number }
  /** Boiling points further apart than this, K, part in a simple distillation. */
  simpleFromK: number
  crystallisationVolume: 'curve' | 'factor' | 'portions'
  layersOut: 'top through the top' | 'both through the tap'
  dryingAgent: 'magnesium sulfate' | 'sodium sulfate'
  gas: 'trap' | 'hood'
  harmlessWater: 'container' | 'sink'
  /** Minutes after the end of a session for which its benches still write. */
  graceMin: number
  /** Melting-point apparatus with the standards it was checked with. */
  instruments: Instrument[]
  /** Its rooms, by the name that sessions give them. */
  rooms: Room[]
  /** Whom one calls, and where what helps stands; empty where nobody has said it. */
  emergency: Emergency
}

export interface Emergency {
  number: string
  eyewash: string
  firstAid: string
}

/** What stands in a room for all benches: how many there are of what is shared, and where each waste goes. */
export interface Room {
  name: string
  stations: { name: string; count: number }[]
  waste: { stream: WasteStream; place: string; sizeL: number }[]
}

export type PressureWay = 'kPa' | 'mmHg' | 'altitude'

/** A thermometer or melting-point apparatus, and what it showed for standards whose melting points are known. */
export interface Instrument {
  id: string
  name: string
  /** When the standards were read, ISO date. */
  checkedOn: string
  standards: { name: string; trueC: number; readC: number }[]
}

/** A laboratory that nobody has set anything for: sea level, and the default of each school. */
export const defaultLab: Lab = {
  pressure: { by: 'kPa', value: 101.325 },
  simpleFromK: 70,
  crystallisationVolume: 'curve',
  layersOut: 'top through the top',
  dryingAgent: 'magnesium sulfate',
  gas: 'trap',
  harmlessWater: 'container',
  graceMin: 30,
  instruments: [],
  rooms: [],
  emergency: { number: '', eyewash: '', firstAid: '' },
}

/** Bounds within which a pressure can be meant: the lowest and highest laboratories, with their weather. */
export const pressureBounds: Readonly<Record<PressureWay, { least: number; most: number; unit: string }>> = {
  kPa: { least: 50, most: 110, unit: 'kPa' },
  mmHg: { least: 375, most: 825, unit: 'mmHg' },
  altitude: { least: -450, most: 5200, unit: 'm' },
}

/** The ICAO standard atmosphere: at sea level, and how it thins with each metre. */
const [seaLevelKPa, perMetre, exponent] = [101.325, 2.25577e-5, 5.25588]

/**
 * The laboratory's pressure in mmHg. From an altitude h in metres by the ICAO standard atmosphere (Doc 7488):
 * p = 101.325 kPa · (1 − 2.25577·10⁻⁵·h)^5.25588, which knows nothing of the day's weather (± 2 kPa).
 */
export function pressureMmHg({ pressure: { by, value } }: Pick<Lab, 'pressure'>): number {
  if (by === 'mmHg') return value
  return mmHgPerKPa * (by === 'kPa' ? value : seaLevelKPa * (1 - perMetre * value) ** exponent)
}

/** A pressure said in another way, as finely as a barometer or a map says it, within the bounds of that way. */
export function pressureAs(by: PressureWay, mmHg: number): Lab['pressure'] {
  const kPa = mmHg / mmHgPerKPa
  const said = { kPa, mmHg, altitude: (1 - (kPa / seaLevelKPa) ** (1 / exponent)) / perMetre }[by]
  const { least, most } = pressureBounds[by]
  return { by, value: Math.min(most, Math.max(least, Number(said.toFixed(by === 'altitude' ? 0 : 2)))) }
}

/** The room of that name, as the laboratory describes it; undefined where nobody has. */
export const roomOf = ({ rooms }: Pick<Lab, 'rooms'>, name: string): Room | undefined =>
  rooms.find((room) => room.name.trim().toLowerCase() === name.trim().toLowerCase())
