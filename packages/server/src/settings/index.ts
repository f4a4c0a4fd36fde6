export { companyFacts, companyName, saveCompanyFacts } from './company'
export { dropSetting, readSetting, writeSetting } from './settings'
