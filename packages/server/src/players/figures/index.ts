export { cautionRecords, cautionsOfPerson, cautionSteps } from './cautions'
export { dropOffOf } from './dropOff'
export { NO_WAYS, soloCountsSql, soloStateSql, stepsOfPerson, waysUsed, wayStepsOf } from './wayUses'
