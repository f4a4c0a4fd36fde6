/** Lets other requests have their turn between the parts of a long one. */
export const othersFirst = (): Promise<void> => new Promise((resolve) => setImmediate(resolve))
