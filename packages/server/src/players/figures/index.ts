export { cautionRecords, cautionsOfPerson, cautionSteps } from './cautions'
export { dropOffOf } from './dropOff'
export { NO_WAYS, SOLO_STATE, soloCountsOf, stepsOfPerson, waysUsed, wayStepsOf } from './wayUses'
