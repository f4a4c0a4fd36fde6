export { isAnswerTo, SurveyAnswer, SurveyQuestion, valuesOf } from './question'
export { resultsOf } from './results'
export type { SurveyResults } from './results'
export { AskedInSurvey, comeToBeShown, faultOfAnswers, LEAST_SHOWN, shownOf, SurveyAnswers, SurveyDocument } from './survey'
