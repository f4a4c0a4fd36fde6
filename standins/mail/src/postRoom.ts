import PostalMime from 'postal-mime'

/** A mail that has come in. `times`: how often; one that comes again under the same id is kept once. Times are epoch milliseconds. */
export type Letter = {
  id: string
  from: string
  to: string[]
  subject: string
  text: string
  html: string
  at: number
  times: number
}

/** How many mails are kept; older ones go. */
const MOST_KEPT = 10_000

/** What came in, the newest first, in memory only. */
export class PostRoom {
  private readonly letters = new Map<string, Letter>()

  /** Takes a mail in as it came over the wire.
   * @param to   the addresses to which it was sent
   * @param now  epoch milliseconds, UTC */
  async take(raw: Uint8Array, to: readonly string[], now: number): Promise<Letter> {
    const mail = await PostalMime.parse(raw)
    const id = mail.messageId ?? `no id ${this.letters.size + 1}`
    const known = this.letters.get(id)
    if (known) return Object.assign(known, { times: known.times + 1 })
    const letter: Letter = {
      id,
      from: mail.from?.address ?? '',
      to: [...to],
      subject: mail.subject ?? '',
      text: mail.text ?? '',
      html: mail.html ?? '',
      at: now,
      times: 1,
    }
    this.letters.set(id, letter)
    for (const old of this.letters.keys()) {
      if (this.letters.size <= MOST_KEPT) break
      this.letters.delete(old)
    }
    return letter
  }
  /** @param to only those to this address */
  list(to = ''): Letter[] {
    const wanted = to.toLowerCase()
    return [...this.letters.values()].filter((letter) => to === '' || letter.to.some((each) => each.toLowerCase() === wanted)).reverse()
  }
  find(id: string): Letter | undefined {
    return this.letters.get(id)
  }
  empty(): void {
    this.letters.clear()
  }
}
