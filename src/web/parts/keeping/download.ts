/** How long a file stays for the browser to fetch it, ms. */
const KEPT_MS = 10_000

/**
 * Hands the browser a file.
 * @param name with its ending; what a file cannot be called is left out
 */
export function download(name: string, text: string, type: string): void {
  const dot = name.lastIndexOf('.')
  const url = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }))
  const link = document.createElement('a')
  link.href = url
  link.download = `${
    name
      .slice(0, dot)
      .replace(/[^\p{L}\p{N} _-]+/gu, '')
      .trim() || 'olvent'
  }${name.slice(dot)}`
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), KEPT_MS)
}
