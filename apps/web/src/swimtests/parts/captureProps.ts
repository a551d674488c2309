import type { SessionPerson } from '@upwell/contract/sessions';
import type { TestInput } from '@upwell/core/swimtests';
import type { DeckTime } from '@/deck';
import type { TestDraft } from '../draft';

/** A rate of a ramp is chosen by the ramp, not by somebody's last one. */
export const NOBODY: readonly SessionPerson[] = [];

export interface CaptureProps<Input_ extends TestInput = TestInput> {
  readonly input: Input_;
  readonly running: TestDraft['running'];
  readonly time: DeckTime;
  readonly onInput: (input: TestInput) => void;
  readonly onRunning: (running: TestDraft['running']) => void;
  /** Metres of one length; null until it is known. */
  readonly poolM: number | null;
  readonly onPool: (lengthM: number) => void;
}
export type Of<K extends TestInput['kind']> = CaptureProps<Extract<TestInput, { kind: K }>>;

export type Known<T> = Omit<T, 'poolM'> & { readonly poolM: number };
