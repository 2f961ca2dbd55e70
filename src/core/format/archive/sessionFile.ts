import { object, string, number, array } from 'yup'
import type { RunOfClass } from '../../classroom/foldClass'

/** A session as an archive holds it: the runs with their logs, apart from the plan. */
export interface SessionFile {
  format: 'mozle-session'
  version: 1
  title: string
  section: string
  startsAt: string
  endsAt: string
  room: string
  zone: string
  revision: number
  runs: (Required<Pick<RunOfClass, 'id' | 'bench' | 'members' | 'scale'>> & {
    file: string
    before: { title: string; fraction: number }[]
  })[]
}

const schema = object({
  format: string().oneOf(['mozle-session']).required(),
  version: number().oneOf([1]).required(),
  title: string().required(),
  section: string().required(),
  startsAt: string().required(),
  endsAt: string().required(),
  room: string().defined(),
  zone: string().required(),
  revision: number().required(),
  runs: array(
    object({
      id: string().max(26).required(),
      bench: number().integer().min(1).max(999).required(),
      members: string().max(400).defined(),
      scale: number().moreThan(0).max(1000).required(),
      file: string().max(200).required(),
      before: array(object({ title: string().required(), fraction: number().required() })).required(),
    }),
  )
    .max(400)
    .required(),
})

/** Reads the session of an archive. @throws Error in words */
export function readSessionFile(text: string): SessionFile {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new Error('session.json is not JSON.')
  }
  return schema.validateSync(json, { strict: true }) as SessionFile
}
