import {
  LARGEST_ROSTER,
  MOST_ROSTER_ROWS,
  ROSTER_FIELDS,
  type ReadRoster,
  type RosterEntry,
  type RosterLine,
  type RosterMapping,
} from '@upwell/core/exchange/shapes';
import { LEVELS, type LevelId } from '@upwell/core/swimmers';
import { line, oneOf, uuid } from './common';
import { Joi } from './joi';

/** A list of swimmers to be looked at before it comes in: as text, or as entries of a program. */
export interface RosterAsk {
  /** The look and the storing have it in common; made by the client, or else by the server. */
  readonly id?: string;
  /** What the file is called. */
  readonly name?: string;
  /** CSV, or lines with names. */
  readonly text?: string;
  readonly rows?: readonly RosterEntry[];
  /** What the columns mean; null guesses it. */
  readonly mapping?: RosterMapping | null;
  /** The squad of lines that name none; empty where there is none. */
  readonly squad?: string;
  /** The level of lines that name none. */
  readonly level?: LevelId;
}

const cell = () => Joi.string().allow('').max(300);
const entry = Joi.object({
  given: cell(),
  family: cell(),
  name: cell(),
  born: Joi.alternatives(cell(), Joi.number().integer().min(0).max(9999)),
  squad: cell(),
  level: cell(),
  email: cell(),
  bestTimes: Joi.array()
    .items(
      Joi.object({
        distanceM: Joi.number().greater(0).max(100_000).required(),
        timeS: Joi.number().greater(0).max(172_800).required(),
      }),
    )
    .max(30),
});

export const rosterAskSchema = Joi.object<RosterAsk>({
  id: uuid(),
  name: line(120).allow('').default(''),
  text: Joi.string().allow('').max(LARGEST_ROSTER),
  rows: Joi.array().items(entry).max(MOST_ROSTER_ROWS),
  mapping: Joi.object({
    headed: Joi.boolean().required(),
    columns: Joi.array()
      .items(
        Joi.object({
          field: oneOf(ROSTER_FIELDS).required(),
          distanceM: Joi.number().min(5).max(100_000).when('field', { is: 'best', then: Joi.required() }),
        }),
      )
      .max(200)
      .required(),
  })
    .allow(null)
    .default(null),
  squad: line(60).allow('').default(''),
  level: oneOf(LEVELS).default('settle'),
}).xor('text', 'rows');

/** A line of the file, and how it meets what the club has. */
export interface RosterView extends RosterLine {
  readonly level: LevelId;
  /** The line names no level: the one chosen for all is taken. */
  readonly levelOfAll: boolean;
  /** Empty while the line waits for a squad. */
  readonly squad: string;
  /** The squad is not there yet and will be made. */
  readonly newSquad: boolean;
  /** Somebody here who looks like the same person. */
  readonly existing: { readonly id: string; readonly name: string; readonly squad: string } | null;
}

export interface RosterPreview extends Omit<ReadRoster, 'lines'> {
  readonly id: string;
  readonly rows: readonly RosterView[];
  /** Squads that will be made. */
  readonly newSquads: readonly string[];
}

/** Stores what was looked at. */
export interface RosterCommit {
  readonly id: string;
  /** Lines that stay out although they could come in. */
  readonly without?: readonly number[];
  /** Lines that come in although a swimmer here, or an earlier line, looks the same. */
  readonly also?: readonly number[];
}

const lines = () => Joi.array().items(Joi.number().integer().min(1).max(1e6)).unique().max(10_000).default([]);

export const rosterCommitSchema = Joi.object<RosterCommit>({ id: uuid().required(), without: lines(), also: lines() });

/** A file of swimmers that was stored. */
export interface RosterImport {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly swimmers: number;
  readonly squads: number;
  readonly storedAt: string;
  readonly undoneAt: string | null;
  /** How many swimmers were taken back. */
  readonly removed: number;
}

export interface RosterDone extends RosterImport {
  /** New swimmers with the address that stood beside them, for invitations; kept for a day. */
  readonly addresses: readonly { readonly swimmerId: string; readonly email: string }[];
  /** Whether this server sends mail. */
  readonly mail: boolean;
}
