import type { Segment, Step } from '../protocol/model'
import { onClient, placeOf, presenceOf, usesHands } from '../protocol/segments'
import { LOCAL_TOOLS } from '../protocol/words'
import type { Chain, Part, PlacingProblem } from '../schedule/problem'
import { ELSEWHERE, sharedZones, WHOLE_FACE, type ZoneId } from '../skin/zones'

/** How long a mix stands when its product does not say. */
const DEFAULT_POT_LIFE_S = 300
const KIND_WORDS: Readonly<Record<Segment['kind'], string>> = { prepare: 'mixing', apply: 'on', dwell: 'working', remove: 'off', settle: 'drying', hygiene: 'washing hands' }
const QUIET_PLACE_NEEDS = 'quiet'

export const partId = (step: Pick<Step, 'id'>, segment: Pick<Segment, 'id'>): string => `${step.id}/${segment.id}`

/** A ladder as a placing problem. Floating steps get every dwell that admits them as a possible host, the longest first. */
export function placingOf(steps: readonly Step[]): PlacingProblem {
  return { chains: steps.map((step) => chainOf(step, steps)), lags: [] }
}

function chainOf(step: Step, steps: readonly Step[]): Chain {
  const [first, ...rest] = step.segments
  const prepare = first?.kind === 'prepare' ? first : undefined
  const parts = (prepare ? rest : step.segments).map((segment) => partOf(step, segment))
  return {
    id: step.id, name: step.title, parts,
    ...(prepare ? { prepare: { part: partOf(step, prepare), potLifeS: prepare.potLifeS ?? DEFAULT_POT_LIFE_S, ...(prepare.workingS === undefined ? {} : { workingS: prepare.workingS }) } } : {}),
    ...(step.floating ? { hosts: hostsOf(step, steps), over: step.floating.over ?? false } : {}),
  }
}

function partOf(step: Step, segment: Segment): Part {
  const stretches = segment.kind === 'dwell' && !segment.active
  return {
    id: partId(step, segment), name: `${step.title}, ${KIND_WORDS[segment.kind]}`, leastS: segment.usualS, mostS: stretches ? Math.max(segment.usualS, segment.maxS) : segment.usualS,
    hands: usesHands(segment), at: placeOf(segment), needs: presenceOf(segment), zones: footprint(step, segment), mayStretch: stretches,
  }
}

/** Zones a segment takes: the step's own, the whole face under a towel, and what a panel or steamer puts out of reach. */
function footprint(step: Step, segment: Segment): readonly ZoneId[] {
  if (!onClient(segment)) return []
  const wide = segment.kind === 'remove' && segment.tool !== undefined && !LOCAL_TOOLS.includes(segment.tool) && sharedZones(step.zones, WHOLE_FACE).length > 0
  return [...new Set([...step.zones, ...(wide ? WHOLE_FACE : []), ...(segment.blocks ?? [])])]
}

/** Dwells that admit a floating step, the longest first. */
export function hostsOf(step: Step, steps: readonly Step[]): { chainId: string; partId: string }[] {
  const needs = step.floating?.needs ?? QUIET_PLACE_NEEDS
  return steps
    .filter((host) => !host.floating && host.id !== step.id)
    .flatMap((host) => host.segments.filter((segment) => segment.kind === 'dwell' && segment.admits?.includes(needs)).map((segment) => ({ host, segment })))
    .sort((a, b) => b.segment.usualS - a.segment.usualS)
    .map(({ host, segment }) => ({ chainId: host.id, partId: partId(host, segment) }))
}

/** True when hands touched hair, feet or the like and go back to the face: hygiene comes between. */
export const needsHygiene = (step: Step): boolean => sharedZones(step.zones, ELSEWHERE).length > 0 && !step.segments.some((segment) => segment.kind === 'hygiene')
