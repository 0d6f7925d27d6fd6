/** Rooms of the kitchen, with what is set there. */
export const KITCHEN_ROOM_WORDS = {
  places: { name: 'Places', holds: 'how warm each place is, by day and night; logs of a thermometer; tap water' },
  hours: { name: 'Hours', holds: 'sleep, work and other times; reminders; calendar' },
  habits: { name: 'Habits', holds: 'when you like to mix, percentages of, cups, units, scale' },
  vessels: { name: 'Vessels', holds: 'jars and bowls, empty weight, size' },
  devices: { name: 'Devices', holds: 'scale, probe, level sensor' },
  this: { name: 'This kitchen', holds: 'name, time zone, currency, light, shortcuts' },
  copies: { name: 'Copies and devices', holds: 'backup, moving house, passphrase, phone' }
} as const
