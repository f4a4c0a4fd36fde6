/** What a language is called in the language of the page; its code where nobody knows it. @param code BCP 47 */
export function languageName(code: string, page: string): string {
  try {
    return new Intl.DisplayNames([page], { type: 'language' }).of(code) ?? code
  } catch (error) {
    if (error instanceof RangeError) return code
    throw error
  }
}
