export { enter, leave, meQuery, useGroups, useMe, usePeople, useWriters } from './session'
