import { readReadings } from './readReadings'

const read = (text: string, zone = 'Europe/Lisbon') => {
  const found = readReadings(text, zone)
  return found.ok ? found.value : null
}

test('comma, semicolon and tab; names above or not; instants with a zone or of the kitchen', () => {
  const expected = [{ ms: Date.UTC(2026, 5, 1, 19), tempC: 21.5 }]
  expect(read('time,temperature\n2026-06-01 20:00,21.5')?.readings).toEqual(expected)
  expect(read('2026-06-01 20:00;21,5')?.readings).toEqual(expected)
  expect(read('when\troom\n2026-06-01T19:00:00Z\t21.5')?.readings).toEqual(expected)
  expect(read('01.06.2026;20:00;21,5 °C')?.readings).toEqual(expected)
})

test('°F by the name of its column or by itself', () => {
  expect(read('time,temp °F\n2026-06-01 20:00,68')?.readings[0]?.tempC).toBeCloseTo(20, 9)
  expect(read('2026-06-01 20:00,68 °F')?.readings[0]?.tempC).toBeCloseTo(20, 9)
})

test('in the order of time, the later of two at one instant counts, other columns are passed over', () => {
  const found = read('n,time,temp,humidity\n2,2026-06-01 21:00,22.0,55\n1,2026-06-01 20:00,21.0,56\n3,2026-06-01 21:00,22.5,54')
  expect(found?.readings.map((r) => r.tempC)).toEqual([21, 22.5])
})

test('lines that say nothing are told by number; a text without readings is refused', () => {
  expect(read('time,temp\n2026-06-01 20:00,21\n2026-06-01 20:10,warm\n2026-06-01 20:20,22')?.skipped).toEqual([3])
  expect(read('Dear diary')).toBeNull()
  expect(read('')).toBeNull()
  expect(read('2026-06-01 20:00,900')).toBeNull()
})

describe('minutes are added to full hours', () => {
  const instants = (lines: readonly string[], zone: string) => {
    const read = readReadings(`time,temp\n${lines.map((line) => `${line},20`).join('\n')}`, zone)
    return read.ok ? read.value.readings.map(({ ms }) => new Date(ms).toISOString()) : []
  }
  test('over a clock change, in zones of half hours, with seconds, and in the afternoon', () => {
    // Lisbon goes from +1 to 0 at 02:00 on 25 October 2026; Kolkata is 5:30 ahead all year.
    expect(instants(['2026-10-25 00:30', '2026-10-25 03:30:15'], 'Europe/Lisbon')).toEqual(['2026-10-24T23:30:00.000Z', '2026-10-25T03:30:15.000Z'])
    expect(instants(['26.11.2026 20:45', '26.11.2026 20:59:59'], 'Asia/Kolkata')).toEqual(['2026-11-26T15:15:00.000Z', '2026-11-26T15:29:59.000Z'])
    expect(instants(['11/26/2026 08:05 PM', '11/26/2026 08:05 AM'], 'UTC')).toEqual(['2026-11-26T08:05:00.000Z', '2026-11-26T20:05:00.000Z'])
    expect(instants(['2026-11-26 20:75', '2026-11-26 25:00'], 'UTC')).toEqual([])
  })
})
