export { surveys } from './domain'
export { addSurvey } from './store'
