import { createFormat } from '../../core'
import { scaleOf } from './figures'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const ounces = createFormat({ mass: 'oz', temperature: '°F', clock: '12 h', timeZone: 'UTC' })

describe('figures as they are typed', () => {
  test('what is shown is what is read, in every unit', () => {
    for (const [kind, value] of [
      ['percent', 0.74],
      ['mass', 750],
      ['temperature', 24],
      ['rise', 2.1],
      ['count', 18]
    ] as const)
      for (const here of [format, ounces]) {
        const scale = scaleOf(kind, here)
        expect(Math.abs(scale.read(Number(scale.show(value))) - value) / value).toBeLessThan(0.001)
      }
    expect(scaleOf('mass', ounces).show(750)).toBe('26.46')
    expect(scaleOf('temperature', ounces).show(24)).toBe('75.2')
  })
})
