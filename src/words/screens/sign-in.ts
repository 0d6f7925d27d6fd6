export const SIGN_IN = {
  anotherComputer: 'Another computer',
  olvent: 'Olvent',
  signIn: 'Sign in',
  letThisDeviceIn: 'Let this device in?',
  passphrase: 'Passphrase',
  oneThatWasSetOn: 'The one that was set on the computer that runs Olvent.',
  nameThisDevice: 'Name of this device',
  inThisBrowserAndWill: (word: string) => `${word} in this browser and will be sent once you are signed in.`,
  oneEntryWaits: 'One entry waits',
  entriesWait: (waiting: number) => `${waiting} entries wait`,
  letIn: 'Let it in',
  forgottenOnComputerThatRuns: 'Forgotten? On the computer that runs Olvent, stop it and type: npm run passphrase'
} as const
