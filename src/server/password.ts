import { hash, verify } from '@node-rs/argon2'
import { OneAtATime } from './oneAtATime'

// OWASP Password Storage Cheat Sheet: Argon2id with 19 MiB, two passes, one lane. The package's default variant is Argon2id.
const options = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }

const turns = new OneAtATime()

export function hashPassword(password: string): Promise<string> {
  return turns.run(() => hash(password, options), true)
}

/** @param isKnown true for a device that was let in before: it waits for no stranger. @throws Refusal 503 where very many wait */
export function passwordFits(passwordHash: string, password: string, isKnown: boolean): Promise<boolean> {
  return turns.run(() => verify(passwordHash, password), isKnown)
}
