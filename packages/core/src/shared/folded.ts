/** A text as it is compared when somebody may have typed it: in small letters, without accents, blanks put together. */
export const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll('ß', 'ss')
    .replaceAll('ł', 'l')
    .replaceAll('ø', 'o')
    .replace(/\s+/g, ' ')
    .trim()
