/** A measuring device: what it delivers or shows, and how finely. */
export interface Device {
  id: string
  name: string
  measures: 'mass' | 'volume' | 'temperature'
  /** The smallest step it shows or that can be estimated, in g, mL or °C. */
  readability: number
  /** Standard deviation of repeated readings, same unit; taken equal to the readability where the maker's figure is not known. */
  repeatability: number
  /** Where the figures come from. */
  source: string
}

const byConvention = 'Readability as marked on the device; repeatability taken equal to it until the device has been tested'

/** The devices of an ordinary teaching laboratory. */
export const devices: readonly Device[] = [
  { id: 'balance-0.01', name: 'balance, 0.01 g', measures: 'mass', readability: 0.01, repeatability: 0.01, source: byConvention },
  {
    id: 'balance-0.001',
    name: 'balance, 0.001 g',
    measures: 'mass',
    readability: 0.001,
    repeatability: 0.001,
    source: byConvention,
  },
  {
    id: 'cylinder-10',
    name: '10 mL measuring cylinder',
    measures: 'volume',
    readability: 0.05,
    repeatability: 0.05,
    source: byConvention,
  },
  {
    id: 'cylinder-100',
    name: '100 mL measuring cylinder',
    measures: 'volume',
    readability: 1,
    repeatability: 1,
    source: byConvention,
  },
  {
    id: 'pipette-5',
    name: '5 mL graduated pipette',
    measures: 'volume',
    readability: 0.02,
    repeatability: 0.02,
    source: byConvention,
  },
  {
    id: 'melting-0.1',
    name: 'melting-point apparatus, 0.1 °C',
    measures: 'temperature',
    readability: 0.1,
    repeatability: 0.1,
    source: byConvention,
  },
]

/** The device of that id, or undefined. */
export function deviceOf(id: string | undefined): Device | undefined {
  return devices.find((device) => device.id === id)
}

/**
 * Standard uncertainty of a result from `readings` single readings of one device, in the device's unit:
 * each reading has readability/√12 (a rectangular distribution, GUM 4.3.7) combined with the repeatability.
 */
export function uncertaintyOf(device: Device, readings = 1): number {
  return Math.sqrt(readings * (device.readability ** 2 / 12 + device.repeatability ** 2))
}
