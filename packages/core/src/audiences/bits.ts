/** A set of places, 32 to a word. Sets of one people have one length; the empty one may be shorter. */
export class Bits {
  private constructor(private readonly words: Uint32Array) {}

  /** The set with room for places below `size`, empty. */
  static none(size: number): Bits {
    return new Bits(new Uint32Array((size + 31) >>> 5))
  }
  /** The set of all places below `size`. */
  static all(size: number): Bits {
    const words = new Uint32Array((size + 31) >>> 5).fill(0xffffffff)
    if (size & 31) words[words.length - 1] = (2 ** (size & 31) - 1) >>> 0
    return new Bits(words)
  }
  /** The set of some places below `size`. */
  static of(size: number, places: Iterable<number>): Bits {
    const bits = Bits.none(size)
    for (const place of places) bits.words[place >>> 5]! |= 1 << (place & 31)
    return bits
  }
  /** What is in at least one of the sets. */
  static union(sets: readonly Bits[]): Bits {
    const [first, ...others] = sets
    if (!first) return new Bits(new Uint32Array(0))
    if (others.length === 0) return first
    const words = new Uint32Array(Math.max(...sets.map((set) => set.words.length)))
    for (const set of sets) for (let at = 0; at < set.words.length; at++) words[at]! |= set.words[at]!
    return new Bits(words)
  }

  and(other: Bits): Bits {
    return new Bits(this.words.map((word, at) => word & (other.words[at] ?? 0)))
  }
  without(other: Bits): Bits {
    return new Bits(this.words.map((word, at) => word & ~(other.words[at] ?? 0)))
  }
  has(place: number): boolean {
    return ((this.words[place >>> 5] ?? 0) & (1 << (place & 31))) !== 0
  }
  get count(): number {
    let count = 0
    for (let word of this.words) for (; word !== 0; word &= word - 1) count++
    return count
  }
  /** The places in it, in their order. */
  places(): number[] {
    const places: number[] = []
    this.words.forEach((word, at) => {
      for (let rest = word; rest !== 0; rest &= rest - 1) places.push((at << 5) + 31 - Math.clz32(rest & -rest))
    })
    return places
  }
}
