/** A measuring device: what it delivers or shows, and how finely. */
export interface Device {
  id: string
  name: string
  measures: 'mass' | 'volume' | 'temperature'
  /** The smallest step it shows or that can be estimated, in g, mL or °C. */
  readability: number
  /** Standard deviation of repeated readings, same unit; taken equal to the readability where the maker's figure is not known. */
  repeatability: number
  /** How far its marks may be off, same unit: the limit of its class; absent where it is calibrated before use or nobody has said. */
  tolerance?: number
  /** Where the figures come from. */
  source: string
}

const byConvention = 'readability as marked on the device; repeatability taken equal to it until the device has been tested'
const glass = `tolerance of class B glassware (ISO 4788, 835, 385, 1042); ${byConvention}`

const of = (measures: Device['measures'], id: string, name: string, readability: number, tolerance?: number): Device => ({
  id,
  name,
  measures,
  readability,
  repeatability: readability,
  ...(tolerance === undefined ? {} : { tolerance }),
  source: tolerance === undefined ? byConvention : glass,
})

/** The devices of an ordinary teaching laboratory. Tolerances were written from general knowledge of the standards: not yet compared with them. */
export const devices: readonly Device[] = [
  of('mass', 'balance-0.01', 'balance, 0.01 g', 0.01),
  of('mass', 'balance-0.001', 'balance, 0.001 g', 0.001),
  of('mass', 'balance-0.0001', 'balance, 0.1 mg', 0.0001),
  of('volume', 'cylinder-10', '10 mL measuring cylinder', 0.05, 0.2),
  of('volume', 'cylinder-25', '25 mL measuring cylinder', 0.25, 0.5),
  of('volume', 'cylinder-50', '50 mL measuring cylinder', 0.5, 1),
  of('volume', 'cylinder-100', '100 mL measuring cylinder', 1, 1),
  of('volume', 'pipette-5', '5 mL graduated pipette', 0.02, 0.05),
  of('volume', 'syringe-1', '1 mL syringe', 0.01, 0.05),
  of('volume', 'syringe-5', '5 mL syringe', 0.1, 0.25),
  of('volume', 'micropipette-1000', '100–1000 µL micropipette', 0.001, 0.008),
  of('volume', 'burette-50', '50 mL burette', 0.05, 0.1),
  of('volume', 'flask-100', '100 mL volumetric flask', 0.05, 0.2),
  of('volume', 'gas-syringe-100', '100 mL gas syringe', 0.5, 1),
  of('temperature', 'melting-0.1', 'melting-point apparatus, 0.1 °C', 0.1),
]

/** The device of that id, or undefined. */
export function deviceOf(id: string | undefined): Device | undefined {
  return devices.find((device) => device.id === id)
}

/**
 * Standard uncertainty of a result from `readings` single readings of one device, in the device's unit:
 * each reading has readability/√12 (a rectangular distribution, GUM 4.3.7) combined with the repeatability; what its marks are off is one and the same in all readings, tolerance/√3.
 */
export function uncertaintyOf(device: Device, readings = 1): number {
  return Math.hypot(readingUncertainty(device, readings), (device.tolerance ?? 0) / Math.sqrt(3))
}

/** The part of it that comes from reading alone: what a person can help by taking a finer device or more of it. */
export function readingUncertainty(device: Device, readings = 1): number {
  return Math.sqrt(readings * (device.readability ** 2 / 12 + device.repeatability ** 2))
}
