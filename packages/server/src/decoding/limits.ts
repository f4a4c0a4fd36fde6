/** Largest picture: pixels of all its frames, and length of a side. */
export const PICTURE_LIMITS = { pixels: 60_000_000, side: 32_000 } as const
