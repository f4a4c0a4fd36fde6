const BROWSERS: readonly [RegExp, string][] = [
  [/Edg\//, 'Edge'],
  [/OPR\//, 'Opera'],
  [/Firefox\//, 'Firefox'],
  [/SamsungBrowser\//, 'Samsung Internet'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
]
const SYSTEMS: readonly [RegExp, string][] = [
  [/Android/, 'Android'],
  [/iPhone|iPad|iPod/, 'iOS'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'macOS'],
  [/CrOS/, 'ChromeOS'],
  [/Linux/, 'Linux'],
]
const first = (table: readonly [RegExp, string][], text: string, other: string): string =>
  table.find(([pattern]) => pattern.test(text))?.[1] ?? other

/** What somebody reads on, in words for people: browser, system, size of the window in CSS pixels.
 * @returns at most 200 characters, such as `Chrome on Android, 390 × 844` */
export const deviceWords = (userAgent: string, widthPx: number, heightPx: number): string =>
  `${first(BROWSERS, userAgent, 'A browser')} on ${first(SYSTEMS, userAgent, 'another system')}, ${widthPx} × ${heightPx}`
