import { type Format, pouredGrams, ratioOf } from '../../../core'
import { near, PHASE_WORDS } from '../../../words'
import type { StationId } from '../../parts/stations'
import type { StationProps } from './station'

const MS_PER_HOUR = 3_600_000

/** The one number of a station that is folded. */
export function stationFigure(id: StationId, { state, solved, judged, day }: StationProps, format: Format): string {
  const build = solved?.build
  switch (id) {
    case 'recipe':
      return solved?.dough.ok
        ? `${format.mass(solved.dough.value.weigh.doughGrams)} · ${format.percent(solved.dough.value.weigh.truth.hydration)}`
        : 'cannot be'
    case 'levain':
      if (state.band !== null) return `${ratioOf(state.poured)} · ${format.mass(pouredGrams(state.poured))}`
      return build === undefined || build === null ? 'cannot be' : `${ratioOf(build.sourced.masses)} · ${format.mass(build.totalGrams)}`
    case 'plan':
      if (state.band !== null) return `built ${format.dayTime(state.band.atMs)}`
      if (day.beginsMs === null) return 'no time yet'
      return `${build != null && build.asItStands.startMs > build.timed.startMs ? 'late since' : 'begin'} ${format.dayTime(near(day.beginsMs))}`
    case 'weigh':
      return state.band !== null ? 'level marked' : `${state.done.length} of ${build?.steps.length ?? 3} poured`
    case 'bread': {
      const { times } = day
      if (state.deeds.has('out')) return 'out'
      return times === null ? 'not planned' : `bread ${format.dayTime(near(times.outMs))}`
    }
    case 'watch': {
      if (state.mixed !== null) return `mixed ${format.dayTime(state.mixed.atMs)}`
      const opens = judged?.verdict.forecast.opens.p50
      const closes = judged?.verdict.forecast.closes.p50
      if (judged?.verdict.holds === false) return PHASE_WORDS[judged.verdict.phase].word.toLowerCase()
      if (judged === undefined || opens === undefined || closes === undefined || !Number.isFinite(opens)) return 'nothing to see yet'
      const at = (hours: number) => format.time(near(judged.line.startedAtMs + hours * MS_PER_HOUR))
      return Number.isFinite(closes) ? `${at(opens)}–${at(closes)}` : `from ${at(opens)}`
    }
  }
}
