import { useParams } from 'react-router'

/** The ids in the address of a page. Whether they are ids of anything the server says, when it is asked for them. */
export const useIds = <I extends Record<string, string>>(): I => useParams() as I
