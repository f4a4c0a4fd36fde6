/** What comes of some work within a time, else something in its stead: a page that shows a dialog of the browser's own, a tab that sleeps, or a
 * frame that hangs answers nobody. */
export const within = <T, S>(ms: number, work: Promise<T>, instead: S): Promise<T | S> => {
  let timer: ReturnType<typeof setTimeout>
  const late = new Promise<S>((resolve) => (timer = setTimeout(() => resolve(instead), ms)))
  return Promise.race([work, late]).finally(() => clearTimeout(timer))
}
