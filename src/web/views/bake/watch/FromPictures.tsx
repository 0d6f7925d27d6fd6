import { ActionIcon, Button, FileButton, Group, Progress, Text } from '@mantine/core'
import { IconX } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { useEffect, useRef, useState } from 'react'
import { levelOf } from '../../../../core'
import { FROM_PICTURES } from '../../../../words/screens/watch'
import type { Judged } from '../../../data/forecasts'
import { useKitchen } from '../../../data/kitchen'
import { findIn, madeUpPicture, noteLevels, takenAt } from '../../../data/levels'
import { newId } from '../../../data/newId'
import { Note } from '../../../parts/cards/Card'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { useBakeHere } from '../bakeHere'
import { type Lines, PictureLines, riseOf } from './PictureLines'
import classes from './Watch.module.css'

/** A picture with what was read from it. */
interface Shot {
  readonly id: string
  readonly file: File
  readonly url: string
  readonly ms: number
  readonly lines: Lines
  /** Rim of the jar, share of the picture's height. */
  readonly rim: number
  /** The level was found by itself. */
  readonly found: boolean
  /** The baker has moved a line. */
  readonly moved: boolean
}

/** Where the lines lie before anything is known. */
const AT_FIRST: Lines = { floor: 0.9, band: 0.7, level: 0.5 }
/** Where a band usually lies, share of the jar from its floor. */
const USUAL_BAND = 0.25
const MOST = 60

const MADE_UP = 5

/** Made-up pictures of a levain as it should have gone by now. */
function madeUp({ line, verdict }: Judged, now: number): Promise<File[]> {
  return Promise.all(
    Array.from({ length: MADE_UP }, (_, i) => {
      const ms = line.startedAtMs + ((i + 1) / MADE_UP) * (now - line.startedAtMs) - 1
      return madeUpPicture(i + 1, 1 + levelOf(verdict.forecast, (ms - line.startedAtMs) / millisecondsInHour), ms)
    })
  )
}

/** The level from one photograph, or from many: found by itself where it can be told, put right by hand, noted as looks. */
export function FromPictures() {
  const { bake, state, solved, judged, now } = useBakeHere()
  const { kitchen, format, pantry } = useKitchen()
  const [shots, setShots] = useState<readonly Shot[]>([])
  const [share, setShare] = useState<number | null>(null)
  const [open, setOpen] = useState<string | null>(null)
  const urls = useRef<string[]>([])
  const reset = useRef<() => void>(null)
  useEffect(
    () => () => {
      for (const url of urls.current) URL.revokeObjectURL(url)
    },
    []
  )
  const bandMs = state.band?.atMs ?? 0
  const jarMm = solved?.build?.fit?.vessel.heightMm
  const usualBand = state.band?.levelMm === undefined || jarMm === undefined ? USUAL_BAND : state.band.levelMm / jarMm
  const read = async (files: readonly File[]) => {
    const taken: Shot[] = []
    for (const [i, file] of files.slice(0, MOST).entries()) {
      setShare(i / files.length)
      const found = await findIn(file, null)
      const writtenMs = await takenAt(file, kitchen.timeZone)
      // One picture without a time that makes sense was taken just now.
      const ms = files.length === 1 && (writtenMs < bandMs || writtenMs > now) ? now : writtenMs
      const lines =
        found === null
          ? (taken.at(-1)?.lines ?? AT_FIRST)
          : { floor: found.frame.floor, band: found.frame.floor - usualBand * (found.frame.floor - found.frame.rim), level: found.level }
      const url = URL.createObjectURL(file)
      urls.current.push(url)
      taken.push({ id: newId(), file, url, ms, lines, rim: found?.frame.rim ?? taken.at(-1)?.rim ?? 0.1, found: found !== null, moved: false })
    }
    setShare(null)
    setShots(taken.sort((a, b) => a.ms - b.ms))
    setOpen(taken[0]?.id ?? null)
  }
  const readSafely = (files: Promise<readonly File[]>) => {
    files
      .then(read)
      .catch((error: Error) => {
        setShare(null)
        tellError(error)
      })
      // The same picture may be chosen again.
      .finally(() => reset.current?.())
  }
  const put = (id: string, lines: Lines) =>
    setShots((before) => {
      const own = before.find((s) => s.id === id)
      if (own === undefined) return before
      // The band of one picture holds for all the untouched ones: it is the same jar.
      const movedBand = lines.band !== own.lines.band || lines.floor !== own.lines.floor
      const bandShare = (lines.floor - lines.band) / Math.max(lines.floor - own.rim, 1e-6)
      return before.map((s) => {
        if (s.id === id) return { ...s, lines, moved: true }
        if (!movedBand || s.moved) return s
        return { ...s, lines: { ...s.lines, band: s.lines.floor - bandShare * (s.lines.floor - s.rim) } }
      })
    })
  const usable = shots.filter((s) => (s.found || s.moved) && s.ms >= bandMs && s.ms <= now && riseOf(s.lines) !== null)
  const shown = shots.find((s) => s.id === open)
  const note = () => {
    noteLevels(
      bake,
      usable.map((s) => ({ ms: s.ms, rise: riseOf(s.lines) ?? 1, file: s.file })),
      pantry
    ).then((undo) => tellDone(usable.length === 1 ? FROM_PICTURES.notedFromPicture : FROM_PICTURES.looksAreNoted(usable.length), undo), tellError)
    setShots([])
  }
  return (
    <div data-testid="from-pictures">
      <Text c="dimmed">{FROM_PICTURES.takeJarFromSideAt}</Text>
      <Group mt="sm">
        <FileButton resetRef={reset} accept="image/*" multiple onChange={(files) => readSafely(Promise.resolve(files))}>
          {(button) => (
            <Button {...button} variant="default" disabled={share !== null}>
              {shots.length === 0 ? FROM_PICTURES.choosePictures : FROM_PICTURES.otherPictures}
            </Button>
          )}
        </FileButton>
        {kitchen.demo && judged !== undefined && (
          <Button variant="subtle" disabled={share !== null} onClick={() => readSafely(madeUp(judged, now))}>
            {FROM_PICTURES.tryWithMadeUpOnes}
          </Button>
        )}
      </Group>
      {share !== null && <Progress value={100 * share} mt="sm" aria-label={FROM_PICTURES.lookingAtPictures} />}
      {shown !== undefined && (
        <>
          {!shown.found && !shown.moved && <Note tone="care">{FROM_PICTURES.levelCannotBeToldIn}</Note>}
          <PictureLines url={shown.url} lines={shown.lines} onLines={(lines) => put(shown.id, lines)} />
        </>
      )}
      {shots.length > 0 && (
        <>
          <ul className={classes.shots}>
            {shots.map((s) => {
              const rise = riseOf(s.lines)
              return (
                <li key={s.id}>
                  <button type="button" aria-pressed={s.id === open} onClick={() => setOpen(s.id)}>
                    {format.dayTime(s.ms)} <b>{s.found || s.moved ? (rise === null ? FROM_PICTURES.noLevel : format.rise(rise)) : FROM_PICTURES.cannotTell}</b>
                    {(s.ms < bandMs || s.ms > now) && FROM_PICTURES.notThisLevain}
                  </button>
                  <ActionIcon
                    variant="subtle"
                    aria-label={FROM_PICTURES.leaveOutPicture(format.time(s.ms))}
                    onClick={() => setShots(shots.filter((x) => x.id !== s.id))}
                  >
                    <IconX size={20} />
                  </ActionIcon>
                </li>
              )
            })}
          </ul>
          <Button size="lg" fullWidth disabled={usable.length === 0} onClick={note}>
            {usable.length === 1 ? FROM_PICTURES.saveWhatYouSaw : FROM_PICTURES.noteLooks(usable.length)}
          </Button>
        </>
      )}
    </div>
  )
}
