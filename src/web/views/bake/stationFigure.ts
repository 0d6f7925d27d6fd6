import { awaitsPot } from '../../../answers'
import { type Format, pouredGrams, ratioOf } from '../../../core'
import { HEADLINE_WORDS, near, spanWords } from '../../../words'
import { STATION_FIGURE } from '../../../words/screens/bake'
import type { StationId } from '../../parts/stations'
import type { BakeHere } from './bakeHere'

/** The one number of a station that is folded. */
export function stationFigure(id: StationId, { state, solved, judged, day, plan }: BakeHere, format: Format): string {
  const build = solved?.build
  const asItIs = plan.build.source === 'as it is'
  switch (id) {
    case 'recipe':
      return solved?.dough.ok
        ? `${format.mass(solved.dough.value.weigh.doughGrams)} · ${format.percent(solved.dough.value.weigh.truth.hydration)}`
        : 'cannot be'
    case 'levain':
      if (awaitsPot(plan)) return STATION_FIGURE.otherPot
      if (asItIs && (state.band !== null || build != null))
        return STATION_FIGURE.asItIs(format.mass(state.band !== null ? pouredGrams(state.poured) : (build?.totalGrams ?? 0)))
      if (state.band !== null) return `${ratioOf(state.poured)} · ${format.mass(pouredGrams(state.poured))}`
      return build === undefined || build === null ? 'cannot be' : `${ratioOf(build.sourced.masses)} · ${format.mass(build.totalGrams)}`
    case 'plan':
      if (state.band !== null) return (asItIs ? STATION_FIGURE.weighed : STATION_FIGURE.built)(format.dayTime(state.band.atMs))
      if (day.beginsMs === null) return STATION_FIGURE.noTimeYet
      return `${build != null && !asItIs && !awaitsPot(plan) && build.asItStands.startMs > build.timed.startMs ? STATION_FIGURE.lateSince : 'begin'} ${format.dayTime(near(day.beginsMs))}`
    case 'weigh':
      if (asItIs && state.band !== null) return STATION_FIGURE.starterIn
      if (awaitsPot(plan)) return STATION_FIGURE.otherPot
      return state.band !== null ? STATION_FIGURE.levelMarked : STATION_FIGURE.poured(state.done.length, build?.steps.length ?? 3)
    case 'bread': {
      const { times } = day
      if (state.deeds.has('out')) return 'out'
      return times === null ? STATION_FIGURE.notPlanned : STATION_FIGURE.bread(format.dayTime(near(times.outMs)))
    }
    case 'watch': {
      if (state.mixed !== null) return STATION_FIGURE.mixed(format.dayTime(state.mixed.atMs))
      if (judged === undefined) return STATION_FIGURE.nothingToSeeYet
      const { window, headline } = judged.told
      return window === null ? HEADLINE_WORDS[headline].word.toLowerCase() : spanWords(window.fromMs, window.toMs, format)
    }
  }
}
