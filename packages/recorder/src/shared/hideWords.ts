import type { HideSwitch } from './messages'

/** What each kind of private text is called. */
export const HIDE_WORDS: Record<HideSwitch, string> = {
  mail: 'Mail addresses',
  phone: 'Telephone numbers',
  account: 'Card and account numbers',
  person: 'Names of colleagues in the directory',
  address: 'Postal addresses',
  portrait: 'Pictures of people',
  value: 'What stands in fields',
  number: 'Every number',
}
