/// <reference path="./webvttParser.d.ts" />
import sortBy from 'lodash/sortBy.js';
import uniqBy from 'lodash/uniqBy.js';
import { WebVTTParser } from 'webvtt-parser';
import { NOTE_LIMITS } from '../measures';

/** A note at a moment of a clip. */
export interface ClipNote {
  readonly startS: number;
  readonly endS: number;
  readonly text: string;
}

export interface VttProblem {
  readonly line: number;
  readonly column: number | null;
  readonly message: string;
}

/** Largest file that is read, characters. */
export const VTT_LIMIT = 500_000;

/**
 * Notes out of a WebVTT or SubRip (.srt) file. Nothing is half-imported: with any problem there are no notes.
 *
 * @returns the notes, or the problems with their lines
 */
export function readVtt(text: string): {
  readonly notes: readonly ClipNote[];
  readonly problems: readonly VttProblem[];
} {
  if (text.length > VTT_LIMIT) {
    return { notes: [], problems: [{ line: 1, column: null, message: 'This file is too long for notes on a clip.' }] };
  }
  const { cues, errors } = new WebVTTParser().parse(isVtt(text) ? text : fromSubRip(text), 'metadata');
  // A SubRip file stands under one more line, which is not the reader's.
  const above = isVtt(text) ? 0 : 1;
  const problems = errors.map(({ message, line, col }) => ({
    ...{ line: Math.max(1, line - above), column: col ?? null, message },
  }));
  return {
    notes: problems.length > 0 ? [] : cues.map(toNote),
    problems,
  };
}

/** Times of the format are whole milliseconds; adding up its parts is not. */
const toNote = ({ startTime, endTime, text }: { startTime: number; endTime: number; text: string }): ClipNote => ({
  startS: Math.round(startTime * 1000) / 1000,
  endS: Math.round(endTime * 1000) / 1000,
  text: plainCue(text),
});

const isVtt = (text: string): boolean => /^\uFEFF?WEBVTT/.test(text) || !SUBRIP_TIME.test(text);

const SUBRIP_STAMP = String.raw`(\d{1,2}):(\d{1,2}):(\d{1,2})[,.](\d{1,3})`;
/** The line of a cue's times; what follows says where it stands on a screen. */
const SUBRIP_TIME = new RegExp(`^\\s*${SUBRIP_STAMP}\\s*-->\\s*${SUBRIP_STAMP}.*$`, 'm');

/** A SubRip file as WebVTT, one line lower: its times written in full, marks of place left out. */
function fromSubRip(text: string): string {
  const time = (parts: readonly string[]) =>
    `${parts
      .slice(0, 3)
      .map((part) => part.padStart(2, '0'))
      .join(':')}.${parts[3]!.padEnd(3, '0')}`;
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  const cues = lines.map((line) => {
    const found = SUBRIP_TIME.exec(line);
    if (!found) return line.replace(/\{\\an?\d+\}/g, '');
    return `${time(found.slice(1, 5))} --> ${time(found.slice(5, 9))}`;
  });
  // The empty line that WebVTT wants after its first stands where SubRip has its first number, which says nothing.
  return ['WEBVTT', ...(/^\s*\d+\s*$/.test(cues[0] ?? '') ? ['', ...cues.slice(1)] : ['', ...cues])].join('\n');
}

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', nbsp: ' ', lrm: '', rlm: '' };

/** The words of a cue: who speaks before them, without marks of type or time. */
const plainCue = (cue: string): string =>
  cue
    .replace(/<v(?:\.[^\s>]*)?\s+([^>]+)>/g, '$1: ')
    .replace(/<\/?(?:[bicuv]|ruby|rt|lang|font)(?:[.\s][^>]*)?>|<\d[\d:.]*>/g, '')
    .replace(/&(amp|lt|gt|nbsp|lrm|rlm);/g, (_, name: string) => ENTITIES[name]!)
    .trim();

/**
 * Notes with those of a file among them, in the order of time. A note that is there already comes once.
 *
 * @returns how many were there already; with a problem the notes as they were
 */
export function joinNotes(
  notes: readonly ClipNote[],
  read: readonly ClipNote[],
): { readonly notes: readonly ClipNote[]; readonly doubled: number; readonly problem: string | null } {
  const all = uniqBy([...notes, ...read], (note) => `${note.startS} ${note.endS} ${note.text}`);
  const long = read.find((note) => note.text.length > NOTE_LIMITS.letters);
  const problem = long
    ? `The note at ${long.startS} s is longer than ${NOTE_LIMITS.letters} letters.`
    : all.length > NOTE_LIMITS.notes
      ? `A clip holds ${NOTE_LIMITS.notes} notes; with this file there would be ${all.length}.`
      : null;
  if (problem !== null) return { notes, doubled: 0, problem };
  return { notes: sortBy(all, (note) => note.startS), doubled: notes.length + read.length - all.length, problem };
}

/**
 * Notes as a WebVTT file, in the order of time.
 *
 * @example writeVtt([{ startS: 1.5, endS: 3, text: 'elbow' }]) // 'WEBVTT\n\n00:00:01.500 --> 00:00:03.000\nelbow\n'
 */
export function writeVtt(notes: readonly ClipNote[]): string {
  const cues = [...notes]
    .sort((a, b) => a.startS - b.startS)
    .map(({ startS, endS, text }) => `${stamp(startS)} --> ${stamp(endS)}\n${oneCue(text)}\n`);
  return ['WEBVTT\n', ...cues].join('\n');
}

function stamp(seconds: number): string {
  const ms = Math.round(seconds * 1000);
  const two = (value: number) => String(value).padStart(2, '0');
  const [h, m, s] = [Math.floor(ms / 3_600_000), Math.floor(ms / 60_000) % 60, Math.floor(ms / 1000) % 60];
  return `${two(h)}:${two(m)}:${two(s)}.${String(ms % 1000).padStart(3, '0')}`;
}

/** A cue ends at an empty line and may not hold an arrow; what would be read as marks of type is escaped. */
function oneCue(text: string): string {
  return text
    .replace(/-->/g, '→')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .split(/\r\n|\r|\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .join('\n');
}
