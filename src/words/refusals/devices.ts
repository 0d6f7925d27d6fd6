/** What is said when a device, or what it pushed, is refused. */
export const REFUSE_DEVICES = {
  thisDeviceWasTakenAway: 'This device was taken away. Add it as a new one.',
  thisDeviceNotKnownHere: 'This device is not known here, or its token has been withdrawn.',
  cannotBeShowsTo: (value: number, kind: string, low: number, high: number) => `${value} cannot be: a ${kind} shows ${low} to ${high}.`
} as const
