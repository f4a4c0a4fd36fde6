import { hash, verify } from '@node-rs/argon2'

/** Cost by OWASP's password storage cheat sheet (argon2id, which is the library's default, 19 MiB, 2 passes, 1 lane). */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }

export const hashPassword = (password: string): Promise<string> => hash(password, COST)

let nobodys: Promise<string> | undefined
/** Verifies a password; without a hash (no such person) it takes as long and says no. */
export async function verifyPassword(stored: string | null | undefined, password: string): Promise<boolean> {
  nobodys ??= hashPassword('nobody has this password')
  const ok = await verify(stored ?? (await nobodys), password)
  return typeof stored === 'string' && ok
}
