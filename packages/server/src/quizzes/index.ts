export { quizzes } from './domain'
export { publishQuiz } from './writing/publishQuiz'
