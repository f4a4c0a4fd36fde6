export { isAnswerTo, SurveyAnswer, SurveyQuestion, valuesOf } from './question'
export { resultsOf } from './results'
export type { SurveyResults } from './results'
export { areShown, AskedInSurvey, faultOfAnswers, LEAST_SHOWN, SurveyAnswers, SurveyDocument } from './survey'
