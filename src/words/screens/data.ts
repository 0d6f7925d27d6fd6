export const API = {
  olventsServerDoesNotAnswer: 'Olvent’s server does not answer.',
  olventsServerFailedOverThis: 'Olvent’s server failed over this, more than once.',
  diskOlventsComputerFull: 'The disk of Olvent’s computer is full.',
  thisDeviceSignedOut: 'This device is signed out.',
  serverAnsweredInWayThat: 'The server answered in a way that Olvent does not understand.'
} as const

export const LOGS = {
  largerThanMbBringIn: (name: string, most_log_bytes: number) => `${name} is larger than ${most_log_bytes} MB. Bring it in in parts.`
} as const

export const PICTURES = {
  pictureCouldNotBeDrawn: 'The picture could not be drawn.',
  thisNoPictureThatCan: 'Olvent cannot read this picture. Use a JPEG, PNG or WebP.'
} as const
