/** The beginning of a text, at most so many UTF-16 units long. A sign of two units is not cut in half: half a one can neither be sent nor stored. */
export const cutTo = (text: string, most: number): string => text.slice(0, most).replace(/[\uD800-\uDBFF]$/, '')
