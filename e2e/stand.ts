import { readFileSync } from 'node:fs'
import type { SecondCourse } from '../scripts/secondCourse'
import type { College } from '../src/demo/college'

/** What one worker tests against: two application processes on a database of their own, so that no worker disturbs another. */
export interface Stand {
  base: string
  /** The other process: what the first writes, this one must show. */
  second: string
  /** File with the made-up college as it was seeded, people and bench codes included. */
  college: string
  /** An application on a database where nobody is yet; one stand has it. */
  beginning?: { base: string; link: string }
}

const stands = JSON.parse(process.env.MOZLE_STANDS ?? '[]') as Stand[]

/** Where a college begins. */
export const beginning = () => stands.find((each) => each.beginning)?.beginning

/** This worker's own stand. @throws when the tests were not started by `./mozle test browser` */
export const stand = stands[Number(process.env.TEST_PARALLEL_INDEX ?? 0)]!

export const workers = stands.length

export const collegeOf = ({ college }: Stand) => JSON.parse(readFileSync(college, 'utf8')) as College & { second: SecondCourse }
