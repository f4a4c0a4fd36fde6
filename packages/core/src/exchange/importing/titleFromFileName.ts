/** A title from the name of a file: without its path and ending. */
export const titleFromFileName = (fileName: string): string =>
  fileName
    .replace(/^.*[\\/]/, '')
    .replace(/\.[^.]*$/, '')
    .replace(/[-_]+/g, ' ')
    .trim()
