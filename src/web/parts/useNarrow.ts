import { useMediaQuery } from '@mantine/hooks'

/** Narrower than this the sheets have one column: 720 px, with larger letters more of them. */
const NARROW = '(max-width: 45em)'

/** Whether the window shows one column, as a phone does. */
export const useNarrow = (): boolean => useMediaQuery(NARROW) === true
