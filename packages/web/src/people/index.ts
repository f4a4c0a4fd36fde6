export { leave, meQuery, useGroups, useMe, usePeople, useWriters } from './session'
