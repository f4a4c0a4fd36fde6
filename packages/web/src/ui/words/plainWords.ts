/** Words as they are compared when somebody looks for them: without regard to case and accents. */
export const plainWords = (words: string): string =>
  words.normalize('NFD').replace(/\p{M}/gu, '').replaceAll('ł', 'l').replaceAll('Ł', 'L').toLowerCase()
