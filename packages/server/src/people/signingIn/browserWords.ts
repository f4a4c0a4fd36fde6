import Bowser from 'bowser'

/** What a browser calls itself, in a few words: “Firefox on Windows”; empty where it does not say. @param agent the header `User-Agent` */
export function browserWords(agent: string): string {
  if (agent === '') return ''
  const { browser, os } = Bowser.parse(agent)
  return [browser.name, os.name].filter(Boolean).join(' on ').slice(0, 80)
}
