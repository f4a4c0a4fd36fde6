export { MyPlans, PlansOf } from './MyPlans'
