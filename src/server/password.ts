import { hash, verify } from '@node-rs/argon2'

// OWASP Password Storage Cheat Sheet: Argon2id with 19 MiB, two passes, one lane. The package's default variant is Argon2id.
const options = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }

export function hashPassword(password: string): Promise<string> {
  return hash(password, options)
}

export function passwordFits(passwordHash: string, password: string): Promise<boolean> {
  return verify(passwordHash, password)
}
