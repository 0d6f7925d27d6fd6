import { useLocalStorage } from '@mantine/hooks'
import { useEffect } from 'react'

/** Whether what is due is spoken aloud, where the browser can. */
export function useAloud(): { readonly can: boolean; readonly on: boolean; readonly set: (on: boolean) => void } {
  const [on, set] = useLocalStorage({ key: 'olvent.aloud', defaultValue: false })
  return { can: 'speechSynthesis' in globalThis, on, set }
}

/** Speaks a line whenever it changes. */
export function useSpoken(words: string | null, on: boolean): void {
  useEffect(() => {
    if (!on || words === null || !('speechSynthesis' in globalThis)) return
    speechSynthesis.cancel()
    speechSynthesis.speak(new SpeechSynthesisUtterance(words))
  }, [words, on])
}

/** Keeps the screen awake while something is weighed. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null
    let wanted = true
    const hold = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
      // Not every browser lets go of its rule on a kitchen table; the bench works without.
      lock = await navigator.wakeLock.request('screen').catch(() => null)
      if (!wanted) void lock?.release()
    }
    void hold()
    const again = () => void hold()
    document.addEventListener('visibilitychange', again)
    return () => {
      wanted = false
      document.removeEventListener('visibilitychange', again)
      void lock?.release()
    }
  }, [])
}
