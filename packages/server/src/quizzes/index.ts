export { quizzes } from './domain'
export { QUIZ } from './model'
export { publishQuiz } from './writing/publishQuiz'
