export { readSetting, writeSetting } from './settings'
