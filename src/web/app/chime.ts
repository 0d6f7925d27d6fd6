/** Two notes of a small bell, Hz, and how long each rings, s. */
const NOTES = [659.25, 880] as const
const RING_SECONDS = 0.9
const APART_SECONDS = 0.22
const LOUDNESS = 0.25

let audio: AudioContext | null = null

/** A small bell. Silent where the browser has not been touched yet: it allows no sound before. */
export function chime(): void {
  audio ??= new AudioContext()
  const { currentTime, destination } = audio
  NOTES.forEach((hertz, i) => {
    if (audio === null) return
    const start = currentTime + i * APART_SECONDS
    const bell = audio.createOscillator()
    const loud = audio.createGain()
    bell.frequency.value = hertz
    loud.gain.setValueAtTime(LOUDNESS, start)
    loud.gain.exponentialRampToValueAtTime(0.001, start + RING_SECONDS)
    bell.connect(loud).connect(destination)
    bell.start(start)
    bell.stop(start + RING_SECONDS)
  })
}
