/** Milliseconds since 1970: the machine's clock, or what a test has set in its place. */
const machine = () => Date.now()
let source: () => number = machine

/** The program's clock: what happens now, for everything that asks the date or compares with a day, a sign-in or a session. How long something takes is measured without it. */
export const thisMoment = (): Date => new Date(source())

/** Sets the clock for a test; without an argument it is the machine's again. */
export function setClock(at?: () => number): void {
  source = at ?? machine
}
