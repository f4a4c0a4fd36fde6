export { quizzes } from './domain'
export { countToJudge } from './judging/shown'
export { askGradersAnew } from './judging/askGraders'
export { publishQuiz } from './writing/publishQuiz'
