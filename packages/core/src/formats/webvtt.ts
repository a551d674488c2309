/// <reference path="./webvttParser.d.ts" />
import { WebVTTParser } from 'webvtt-parser';

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
 * Notes out of a WebVTT file. Nothing is half-imported: with any problem there are no notes.
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
  const { cues, errors } = new WebVTTParser().parse(text, 'metadata');
  const problems = errors.map(({ message, line, col }) => ({ line, column: col ?? null, message }));
  return {
    notes: problems.length > 0 ? [] : cues.map(toNote),
    problems,
  };
}

/** Times of the format are whole milliseconds; adding up its parts is not. */
const toNote = ({ startTime, endTime, text }: { startTime: number; endTime: number; text: string }): ClipNote => ({
  startS: Math.round(startTime * 1000) / 1000,
  endS: Math.round(endTime * 1000) / 1000,
  text,
});

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

/** A cue ends at an empty line and may not hold an arrow. */
function oneCue(text: string): string {
  return text
    .replace(/-->/g, '→')
    .split(/\r\n|\r|\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .join('\n');
}
