const { runInThisContext } = require('node:vm')

// Tests live in one zone, whatever the machine's.
process.env.TZ = 'Europe/Lisbon'
// The database library makes an error without a word at every query, in case there is one to tell. To find where each came from in the sources takes longer than the query.
const outside = runInThisContext('Error')
Error.prepareStackTrace = (error, frames) => (error.constructor === Error && error.message === '' ? 'Error' : outside.prepareStackTrace(error, frames))
