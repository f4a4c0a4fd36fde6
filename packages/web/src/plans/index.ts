export { CheckInsOf, MyCheckIns } from './checkIns/MyCheckIns'
export { MyPlans, PlansOf } from './MyPlans'
