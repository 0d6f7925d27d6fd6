// Tests live in one zone, whatever the machine's.
process.env.TZ = 'Europe/Lisbon'
// Of an error its nearest callers are enough; the database library writes down where it was called from at every query, and each frame is looked up in a source map.
Error.stackTraceLimit = 4
