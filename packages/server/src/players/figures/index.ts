export { cautionRecords, cautionsOfPerson, cautionSteps } from './cautions'
export { dropOffOf } from './dropOff'
export { soloCountsSql, soloStateSql, stepsOfPerson, waysOf, waysSql, wayStepsOf } from './wayUses'
