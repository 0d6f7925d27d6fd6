/** Rooms of the kitchen in the order of their tabs, with what is set there. */
export const KITCHEN_ROOMS = [
  { id: 'places', label: 'Places', holds: 'how warm each place is, by day and night; logs of a thermometer; tap water' },
  { id: 'hours', label: 'Hours', holds: 'sleep, work and other times; reminders; calendar' },
  { id: 'habits', label: 'Habits', holds: 'when you like to mix, percentages of, cups, units, scale' },
  { id: 'vessels', label: 'Vessels', holds: 'jars and bowls, empty weight, size' },
  { id: 'devices', label: 'Devices', holds: 'scale, probe, level sensor' },
  { id: 'this', label: 'This kitchen', holds: 'name, time zone, currency, light, shortcuts' }
] as const

/** Copies and other devices: a room of its own, reached from This kitchen. */
export const COPIES_ROOM = { id: 'copies', label: 'Copies and devices', holds: 'backup, moving house, passphrase, phone' } as const
