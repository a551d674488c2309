import { drillId } from './drills';
import { ATTENDANCE, type DeckEvent } from '@upwell/core/deck';
import { OUTCOMES, SIGHTINGS, SIGN_IDS } from '@upwell/core/review';
import { BLOCK_KINDS, LONGEST_BLOCK_NAME } from '@upwell/core/sessions';
import type { SchemaMap } from 'joi';
import { isoDate, key, line, momentMs, oneOf, uuid } from './common';
import { anySet, oneKind } from './plan';
import type { LoadDue, ReadyDue, TestDue } from './race';
import type { FocusView } from './review';
import type { SessionPerson, SessionRow, SessionView } from './sessions/session';
import { Joi } from './joi';

/** What matters today. */
export interface DeckToday {
  readonly date: string;
  readonly sessions: readonly SessionRow[];
  /** Focuses whose second look is due, the oldest first. */
  readonly relooks: readonly FocusView[];
  readonly tests: readonly TestDue[];
  readonly ready: readonly ReadyDue[];
  readonly loads: readonly LoadDue[];
}

/** Everything needed to run one session, so that it can be run without a network. */
export interface DeckPack {
  readonly session: SessionView;
  readonly people: readonly SessionPerson[];
  /** The open focus of each swimmer who is coming. */
  readonly focuses: readonly FocusView[];
  /** Swimmers a lane holds by the club's rule; null takes the default. */
  readonly laneCapacity: number | null;
}

/** Most events in one request. */
export const MOST_EVENTS = 500;

export interface EventsBody {
  readonly events: readonly DeckEvent[];
}

/** Events of a run that came after a place in its list. */
export interface EventsPage {
  readonly events: readonly DeckEvent[];
  /** Ask for what comes after this next time. */
  readonly last: number;
  /** Whether there is more right now. */
  readonly more: boolean;
}

export const eventsQuerySchema = Joi.object<{ after: number }>({
  after: Joi.number().integer().min(0).max(Number.MAX_SAFE_INTEGER).default(0),
});

const name = () => key(120).required();
const number = Joi.number();
const seconds = () => number.min(0).max(86_400).precision(6);
const index = () => number.integer().min(0).max(2000).required();
const rep = () => number.integer().min(1).max(500);

const passage = Joi.object({
  id: name(),
  block: oneOf(BLOCK_KINDS).required(),
  blockName: line(LONGEST_BLOCK_NAME),
  set: anySet.allow(null).required(),
  round: Joi.object({
    pass: number.integer().min(1).max(50).required(),
    of: number.integer().min(1).max(50).required(),
  })
    .allow(null)
    .required(),
  reps: number.integer().min(0).max(200).required(),
  repM: number.min(0).max(100_000).required(),
  countdownS: seconds().allow(null).required(),
  sendOffS: seconds().allow(null).required(),
  gapS: seconds().required(),
  beforeS: seconds().required(),
  expectedS: Joi.object().pattern(uuid(), seconds()).max(60).required(),
  fewBreaths: Joi.object({
    warnings: Joi.array().items(line(400)).max(60).required(),
    may: Joi.array().items(uuid()).max(500).required(),
    restS: seconds().required(),
  }),
});

const setup = Joi.object({
  title: line(120).allow('').required(),
  minutes: number.min(1).max(360).required(),
  swimmers: Joi.array()
    .items(Joi.object({ id: uuid().required(), name: line().required() }))
    .max(500)
    .required(),
  lanes: Joi.array()
    .items(
      Joi.object({
        id: name(),
        groupId: name(),
        number: number.integer().min(1).max(200).required(),
        swimmers: Joi.array().items(uuid()).max(60).required(),
        passages: Joi.array().items(passage).max(500).required(),
      }),
    )
    .max(60)
    .required(),
});

const facts: Readonly<Record<DeckEvent['kind'], SchemaMap>> = {
  begin: { setup: setup.required() },
  go: { lane: name(), index: index() },
  wall: { lane: name(), swimmer: uuid().required(), passage: key(120), rep: rep() },
  void: { of: uuid().required() },
  swap: { a: uuid().required(), b: uuid().required() },
  strokes: {
    swimmer: uuid().required(),
    passage: name(),
    rep: rep().required(),
    count: number.integer().min(1).max(200).required(),
  },
  skip: { lane: name(), index: index() },
  again: { lane: name(), index: index(), passage: name() },
  reps: { lane: name(), passage: name(), reps: number.integer().min(0).max(200).required() },
  hold: { lane: name() },
  resume: { lane: name() },
  move: { swimmer: uuid().required(), lane: name(), place: number.integer().min(0).max(60).required() },
  attend: { swimmer: uuid().required(), as: oneOf(ATTENDANCE).required() },
  sign: { swimmer: uuid().required(), sign: oneOf(SIGN_IDS).required(), sighting: oneOf(SIGHTINGS).required() },
  verdict: {
    swimmer: uuid().required(),
    focusId: uuid().required(),
    drill: drillId().required(),
    verdict: oneOf(OUTCOMES).required(),
  },
  rating: { group: name(), value: number.min(0).max(10).required() },
  end: {},
};

const noted = {
  id: uuid().required(),
  atMs: momentMs().required(),
  device: uuid().required(),
};

/** One event, its shape told by its `kind`. */
export const deckEventSchema = oneKind(
  Object.fromEntries(
    Object.entries(facts).map(([kind, fields]) => [
      kind,
      Joi.object({ ...noted, kind: Joi.valid(kind).required(), ...fields }),
    ]),
  ),
);

export const eventsSchema = Joi.object<EventsBody>({
  events: Joi.array().items(deckEventSchema).min(1).max(MOST_EVENTS).unique('id').required(),
});

export const packQuerySchema = Joi.object<{ date: string }>({ date: isoDate().required() });
