export { sendSurvey } from './audience'
export { surveys } from './domain'
export { addSurvey } from './store'
