export { enter, leave, meQuery, useGroups, useMe, usePeople } from './session'
