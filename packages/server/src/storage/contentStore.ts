/** Keeps contents under their own SHA-256 (hex). The same content is kept once. */
export interface ContentStore {
  /** @returns the hash under which the bytes are found again */
  put(bytes: Buffer): Promise<string>
  /** @returns `undefined` when there is no such content */
  get(hash: string, range?: { start: number; end: number }): Promise<Buffer | undefined>
  delete(hash: string): Promise<void>
  /** Everything that is kept, with when it was last put in (epoch milliseconds, UTC). */
  list(): AsyncIterable<{ hash: string; storedAt: number }>
}
