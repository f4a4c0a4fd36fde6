export { actInAttempt } from './actInAttempt'
export { attemptsOf, attemptsOfPerson, findAttempt } from './attemptsOf'
export { giveUpAttempt } from './endAttempt'
export { openAttempt } from './openAttempt'
