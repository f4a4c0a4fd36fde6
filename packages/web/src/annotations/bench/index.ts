export { Bench } from './Bench'
export type { BenchProps } from './Bench'
