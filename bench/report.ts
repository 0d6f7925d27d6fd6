/** Value at a share of sorted figures. */
export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(Math.floor(share * sorted.length), sorted.length - 1)] ?? Number.NaN
}

/** Prints median, 95th percentile and largest of some figures. */
export function report(name: string, values: readonly number[], unit: string, digits = 1): void {
  const figure = (share: number) => percentile(values, share).toFixed(digits)
  process.stdout.write(`  ${name.padEnd(46)} p50 ${figure(0.5)} ${unit}   p95 ${figure(0.95)} ${unit}   max ${figure(1)} ${unit}   (n ${values.length})\n`)
}

/** Times a piece of work many times over, after warming up. @returns milliseconds of each run */
export function timed(runs: number, work: () => unknown, warmUp = Math.ceil(runs / 4)): number[] {
  for (let i = 0; i < warmUp; i++) work()
  return Array.from({ length: runs }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
}

export function heading(words: string): void {
  process.stdout.write(`\n${words}\n`)
}
