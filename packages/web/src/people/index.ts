export { leave, meAsBefore, meQuery, useGroups, useMe, useWriters } from './session'
export { setMyLanguage, speakAsBefore, speakFromNow } from './language'
export { LanguageField } from './LanguageField'
