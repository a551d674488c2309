import type {
  DeckEvent,
  IgnoredTap,
  LaneState,
  Passage,
  PassageState,
  Present,
  RunState,
  SignNoted,
  SwumRep,
  VerdictNoted,
} from './model';

/** A hand on the wall sooner than this share of the expected time is no arrival. */
export const EARLIEST_SHARE = 0.4;

/** Seconds to expect where nothing is known. */
const ASSUMED_REP_S = 60;

interface MutablePassage extends Omit<PassageState, 'holds' | 'order'> {
  order: string[];
  holds: { fromMs: number; toMs: number | null }[];
  reps: number;
  goMs: number | null;
  goDevice: string | null;
  skipped: boolean;
}

interface MutableLane extends Omit<LaneState, 'swimmers' | 'passages'> {
  swimmers: string[];
  passages: MutablePassage[];
  index: number;
  held: boolean;
}

/** Events in the order in which they happened; the same event twice counts once. */
export function inOrder(events: readonly DeckEvent[]): DeckEvent[] {
  const byId = new Map(events.map((event) => [event.id, event]));
  return [...byId.values()].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));
}

/**
 * Where a run stands, from everything that was noted: by one device or several, in any order of arrival.
 *
 * The same events always give the same state, so devices that have the same events agree, and nothing
 * needs merging. Which rep a hand on the wall ends is worked out from the send-offs: the latest rep that
 * has been away for {@link EARLIEST_SHARE} of the expected time. A missed tap therefore leaves a gap
 * where it was missed instead of shifting all later reps; a double tap counts for nothing.
 *
 * @param events any order, doubles allowed
 */
export function runState(events: readonly DeckEvent[]): RunState {
  const ordered = inOrder(events);
  const voided = new Set(ordered.flatMap((e) => (e.kind === 'void' ? [e.of] : [])));
  const live = ordered.filter((e) => e.kind !== 'void' && !voided.has(e.id));
  const begin = live.find((e) => e.kind === 'begin');
  const lanes: MutableLane[] = (begin?.setup.lanes ?? []).map((lane) => ({
    ...lane,
    swimmers: [...lane.swimmers],
    passages: lane.passages.map(fresh),
    index: 0,
    held: false,
  }));
  const laneOf = (id: string) => lanes.find((lane) => lane.id === id);
  const present: Record<string, Present> = {};
  const signs: SignNoted[] = [];
  const verdicts: VerdictNoted[] = [];
  const ratings: Record<string, number> = {};
  const taps = new Taps();
  const strokes = new Map<string, number>();
  let endedMs: number | null = null;

  for (const event of live) {
    switch (event.kind) {
      case 'begin':
        break;
      case 'go': {
        const lane = laneOf(event.lane);
        const passage = lane?.passages[event.index];
        // The first one counts: a second finger on the button, or a second device, changes nothing.
        if (!lane || !passage || passage.goMs !== null) break;
        passage.goMs = event.atMs;
        passage.goDevice = event.device;
        passage.skipped = false;
        passage.holds = [];
        passage.order = lane.swimmers.filter((id) => !isAway(present[id]));
        lane.index = event.index;
        lane.held = false;
        break;
      }
      case 'wall': {
        const lane = laneOf(event.lane);
        if (lane) taps.arrive(event, lane);
        break;
      }
      case 'swap':
        taps.swap(event.a, event.b);
        break;
      case 'strokes':
        strokes.set(`${event.swimmer} ${event.passage} ${event.rep}`, event.count);
        break;
      case 'skip': {
        const lane = laneOf(event.lane);
        const passage = lane?.passages[event.index];
        if (!lane || !passage) break;
        // One that was begun counts as far as it was swum.
        passage.skipped = passage.goMs === null;
        if (lane.index === event.index) lane.index = event.index + 1;
        lane.held = false;
        break;
      }
      case 'again': {
        const lane = laneOf(event.lane);
        const passage = lane?.passages[event.index];
        if (!lane || !passage || lane.passages.some((p) => p.id === event.passage)) break;
        lane.passages.splice(event.index + 1, 0, {
          ...fresh(passage),
          id: event.passage,
          beforeS: passage.fewBreaths?.restS ?? 0,
        });
        if (lane.index === event.index) lane.index = event.index + 1;
        break;
      }
      case 'reps': {
        const passage = laneOf(event.lane)?.passages.find((p) => p.id === event.passage);
        if (passage) passage.reps = Math.max(0, Math.round(event.reps));
        break;
      }
      case 'hold': {
        const lane = laneOf(event.lane);
        if (!lane || lane.held) break;
        lane.held = true;
        lane.passages[lane.index]?.holds.push({ fromMs: event.atMs, toMs: null });
        break;
      }
      case 'resume': {
        const lane = laneOf(event.lane);
        if (!lane?.held) break;
        lane.held = false;
        const last = lane.passages[lane.index]?.holds.at(-1);
        if (last) last.toMs = event.atMs;
        break;
      }
      case 'move': {
        const to = laneOf(event.lane);
        if (!to) break;
        for (const lane of lanes) lane.swimmers = lane.swimmers.filter((id) => id !== event.swimmer);
        to.swimmers.splice(Math.min(event.place, to.swimmers.length), 0, event.swimmer);
        // In the middle of a set they join behind the others; what they swam in the old lane stays theirs.
        const now = to.passages[to.index];
        if (now?.goMs != null && !now.order.includes(event.swimmer)) now.order = [...now.order, event.swimmer];
        break;
      }
      case 'attend': {
        const before = present[event.swimmer];
        present[event.swimmer] = {
          as: event.as,
          inMs: event.as === 'in' ? event.atMs : (before?.inMs ?? null),
          outMs: event.as === 'out' ? event.atMs : null,
        };
        break;
      }
      case 'sign':
        signs.push({ event: event.id, ...pick(event) });
        break;
      case 'verdict':
        verdicts.push({
          event: event.id,
          swimmer: event.swimmer,
          focusId: event.focusId,
          drill: event.drill,
          verdict: event.verdict,
          atMs: event.atMs,
        });
        break;
      case 'rating':
        ratings[event.group] = event.value;
        break;
      case 'end':
        endedMs = event.atMs;
        break;
      case 'void':
        break;
    }
  }
  return {
    setup: begin?.setup ?? null,
    beganMs: begin?.atMs ?? null,
    endedMs,
    lanes,
    reps: taps.reps(strokes),
    ignored: taps.ignored,
    present,
    signs,
    verdicts,
    ratings,
    lastId: live.filter((e) => e.kind !== 'begin').at(-1)?.id ?? null,
  };
}

const fresh = (passage: Passage): MutablePassage => ({
  ...passage,
  goMs: null,
  goDevice: null,
  skipped: false,
  order: [],
  holds: [],
});

const pick = ({ swimmer, sign, sighting, atMs }: DeckEvent & { kind: 'sign' }) => ({ swimmer, sign, sighting, atMs });

/** Whether a swimmer is not swimming now: out of the water or absent. */
export function isAway(present: Present | undefined): boolean {
  return present?.as === 'out' || present?.as === 'absent';
}

/**
 * When a swimmer leaves for a rep, deck clock in milliseconds; null before the first send-off.
 *
 * A held lane shifts every departure that had not happened yet.
 */
export function departureMs(passage: PassageState, swimmer: string, rep: number): number | null {
  if (passage.goMs === null) return null;
  const place = passage.order.indexOf(swimmer);
  if (place < 0) return null;
  let at = passage.goMs + ((rep - 1) * (passage.sendOffS ?? 0) + place * passage.gapS) * 1000;
  for (const { fromMs, toMs } of passage.holds) {
    if (at < fromMs) break;
    if (toMs === null) return null;
    at += toMs - fromMs;
  }
  return at;
}

/** Seconds a rep is expected to take a swimmer. */
export function expectedSeconds(passage: Passage, swimmer: string): number {
  const own = passage.expectedS[swimmer];
  if (own !== undefined) return own;
  const others = Object.values(passage.expectedS);
  return others.length > 0 ? others.reduce((sum, s) => sum + s, 0) / others.length : ASSUMED_REP_S;
}

interface Tap {
  readonly event: string;
  readonly device: string;
  readonly atMs: number;
  swimmer: string;
  readonly lane: string;
  readonly passage: PassageState;
  rep: number;
}

/** The taps at the wall and what each of them ends. */
class Taps {
  private readonly list: Tap[] = [];
  private readonly taken = new Set<string>();
  readonly ignored: IgnoredTap[] = [];

  arrive(event: DeckEvent & { kind: 'wall' }, lane: MutableLane): void {
    const ignore = (why: IgnoredTap['why']) => this.ignored.push({ event: event.id, swimmer: event.swimmer, why });
    const passage = event.passage ? lane.passages.find((p) => p.id === event.passage) : lane.passages[lane.index];
    if (!passage || passage.countdownS !== null || passage.goMs === null) return void ignore('nothing to time');
    if (!passage.order.includes(event.swimmer)) return void ignore('not in this lane');
    const rep = event.rep ?? this.repAt(passage, event.swimmer, event.atMs);
    if (rep === null) return void ignore('too early');
    const key = keyOf(passage.id, event.swimmer, rep);
    if (this.taken.has(key)) return void ignore('double');
    this.taken.add(key);
    const { id, device, atMs, swimmer } = event;
    this.list.push({ event: id, device, atMs, swimmer, lane: lane.id, passage, rep });
  }

  /** The latest rep that a swimmer can be finishing. */
  private repAt(passage: PassageState, swimmer: string, atMs: number): number | null {
    const least = expectedSeconds(passage, swimmer) * 1000 * EARLIEST_SHARE;
    for (let rep = passage.reps; rep >= 1; rep--) {
      const left = departureMs(passage, swimmer, rep);
      if (left !== null && atMs - left >= least) return rep;
    }
    return null;
  }

  swap(a: string, b: string): void {
    const first = this.list.find((tap) => tap.event === a);
    const second = this.list.find((tap) => tap.event === b);
    if (!first || !second || first.passage !== second.passage) return;
    [first.swimmer, second.swimmer] = [second.swimmer, first.swimmer];
    [first.rep, second.rep] = [second.rep, first.rep];
  }

  reps(strokes: ReadonlyMap<string, number>): SwumRep[] {
    return this.list.flatMap(({ event, device, atMs, swimmer, lane, passage, rep }) => {
      const leftMs = departureMs(passage, swimmer, rep);
      if (leftMs === null || atMs <= leftMs) return [];
      return [
        {
          swimmer,
          lane,
          passage: passage.id,
          rep,
          leftMs,
          atMs,
          timeS: (atMs - leftMs) / 1000,
          strokes: strokes.get(keyOf(passage.id, swimmer, rep)) ?? null,
          event,
          twoClocks: passage.goDevice !== device,
        },
      ];
    });
  }
}

const keyOf = (passage: string, swimmer: string, rep: number): string => `${swimmer} ${passage} ${rep}`;
