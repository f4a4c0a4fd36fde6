export {
  Answer,
  answersBeside,
  APART,
  ASKED_AGAIN_DAYS,
  CHECK_IN_LIMITS,
  CHECK_IN_STATES,
  checkInState,
  compare,
  Question,
  SCALE,
  SIDES,
  unanswered,
} from './checkIn'
export type { CheckInState, Compared, PlannedCheckIn, Side } from './checkIn'
export { checkInsOfPlan, daysOfStage, itemsOfPlan, PLAN_LIMITS, PlanDocument, PlanItem, Release, Stage } from './plan'
export { isOver, standingOf, toRelease } from './standing'
export type { DatedCheckIn, DatedItem, Happened, PlanFacts, StageStanding } from './standing'
export { planChange } from './compare'
export type { PlanChange, PlanPart } from './compare'
export { lengthDays, PACES, simulate, SLOW_DAYS } from './simulate'
export type { Pace, Simulated, SimulatedDay } from './simulate'
export { planFrom, STARTERS } from './starters'
export type { Starter } from './starters'
export { timeLineOf } from './timeLine'
export type { PlacedDay, PlacedStage } from './timeLine'
export {
  addCheckIn,
  addItems,
  addStage,
  findPart,
  moveStageBy,
  placePart,
  removePart,
  removeStage,
  setCheckIn,
  setItem,
  setStage,
} from './editing'
