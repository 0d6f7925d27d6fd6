// Tests live in one zone, whatever the machine's.
process.env.TZ = 'Europe/Lisbon'
