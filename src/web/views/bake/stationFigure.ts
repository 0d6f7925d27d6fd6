import { doughForPieces, type Format, ratioOf } from '../../../core'
import type { StationId } from '../../parts/stations'
import { near } from '../../parts/words'
import type { StationProps } from './station'

const MS_PER_HOUR = 3_600_000

/** The one number of a station that is folded. */
export function stationFigure(id: StationId, { state, plan, solved, judged }: StationProps, format: Format): string {
  const build = solved?.build
  switch (id) {
    case 'dough':
      return solved?.dough.ok ? `${format.mass(doughForPieces(plan.pieces))} · ${format.percent(solved.dough.value.truth.hydration)}` : 'cannot be'
    case 'build':
      if (state.band !== null) return `${ratioOf(state.poured)} · ${format.mass(state.poured.seed + state.poured.flour + state.poured.water)}`
      return build === undefined || build === null ? 'cannot be' : `${ratioOf(build.weigh)} · ${format.mass(build.totalGrams)}`
    case 'clock':
      if (state.band !== null) return `built ${format.dayTime(state.band.atMs)}`
      return build === undefined || build === null ? 'no time yet' : `begin ${format.dayTime(near(build.timed.startMs))}`
    case 'bench':
      return state.band !== null ? 'band is set' : `${state.done.length} of 3 poured`
    case 'watch': {
      if (state.mixed !== null) return `mixed ${format.dayTime(state.mixed.atMs)}`
      const opens = judged?.verdict.forecast.opens.p50
      const closes = judged?.verdict.forecast.closes.p50
      if (judged === undefined || opens === undefined || closes === undefined || !Number.isFinite(opens)) return 'nothing to see yet'
      const at = (hours: number) => format.time(near(judged.line.startedAtMs + hours * MS_PER_HOUR))
      return Number.isFinite(closes) ? `${at(opens)}–${at(closes)}` : `from ${at(opens)}`
    }
  }
}
