export { chanceOfDifference, differenceOf, wilsonInterval } from './proportions'
export type { Interval, Share } from './proportions'
export { compareTimes, medianTime, shareWithin, timeToGoal } from './timeToGoal'
export type { Course, CurveStep } from './timeToGoal'
