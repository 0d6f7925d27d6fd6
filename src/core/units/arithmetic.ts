/**
 * Reads a figure as a baker types it: "74", "74,5", "750*1.2", "1/2", "2 x 450", "(300+180)/2".
 * @param text digits, a point or comma, + − × ÷ and brackets
 * @returns the value; null for anything else, and for a division by zero
 * @example evaluate('750*1.2') // 900
 */
export function evaluate(text: string): number | null {
  const tokens = tokensOf(text)
  if (tokens === null || tokens.length === 0) return null
  let at = 0
  const sum = (): number => {
    let value = product()
    for (let op = tokens[at]; op === '+' || op === '-'; op = tokens[at]) {
      at++
      value = op === '+' ? value + product() : value - product()
    }
    return value
  }
  const product = (): number => {
    let value = single()
    for (let op = tokens[at]; op === '*' || op === '/'; op = tokens[at]) {
      at++
      value = op === '*' ? value * single() : value / single()
    }
    return value
  }
  const single = (): number => {
    const token = tokens[at++]
    if (typeof token === 'number') return token
    if (token === '-') return -single()
    if (token !== '(') return Number.NaN
    const value = sum()
    return tokens[at++] === ')' ? value : Number.NaN
  }
  const value = sum()
  return at === tokens.length && Number.isFinite(value) ? value : null
}

/** Longest text that is looked at. */
const LONGEST = 60
const OPERATORS: Readonly<Record<string, string>> = {
  '+': '+',
  '-': '-',
  '−': '-',
  '*': '*',
  '×': '*',
  x: '*',
  X: '*',
  '/': '/',
  '÷': '/',
  ':': '/',
  '(': '(',
  ')': ')'
}

function tokensOf(text: string): (number | string)[] | null {
  if (text.length > LONGEST) return null
  const tokens: (number | string)[] = []
  for (const part of text.match(/\d+[.,]?\d*|[.,]\d+|\S/g) ?? []) {
    if (/\d/.test(part)) tokens.push(Number(part.replace(',', '.')))
    else if (OPERATORS[part] !== undefined) tokens.push(OPERATORS[part])
    else return null
  }
  return tokens
}
