// Who has which session open, at this process and at others.
import type { Here, LiveEvents } from '@upwell/contract/live';
import { v7 } from 'uuid';
import type { Told } from './channel';

/** A device that listens. */
export interface Listener extends Here {
  readonly accountId: string;
  send<K extends keyof LiveEvents>(event: K, data: LiveEvents[K]): void;
  /** Shows that it lives. */
  beat(): void;
  end(): void;
}

/** How long the word of another process on who is there counts, milliseconds. */
export const WORD_COUNTS_MS = 60_000;

/** Devices of one process that the others are told of: a word between processes has at most 8,000 bytes. */
const MOST_TOLD = 20;

interface Room {
  readonly listeners: Set<Listener>;
  /** Who is at other processes, and until when that counts. */
  readonly elsewhere: Map<string, { readonly here: readonly Here[]; readonly until: number }>;
}

/** The sessions that are open somewhere, each with the devices that listen. */
export class Rooms {
  /** Tells this process from the others. */
  readonly process = v7();
  private readonly rooms = new Map<string, Room>();

  /** @param tell sends a word to the other processes */
  constructor(private readonly tell: (told: Told) => void) {}

  join(session: string, listener: Listener): void {
    const room = this.rooms.get(session) ?? { listeners: new Set(), elsewhere: new Map() };
    this.rooms.set(session, room);
    room.listeners.add(listener);
    this.changed(session);
  }

  leave(session: string, listener: Listener): void {
    const room = this.rooms.get(session);
    if (!room?.listeners.delete(listener)) return;
    this.changed(session);
    if (room.listeners.size === 0) this.rooms.delete(session);
  }

  /** Passes on what was told. */
  told(told: Told): void {
    const room = this.rooms.get(told.id);
    if (told.kind === 'here') {
      if (told.process === this.process || !room) return;
      const knew = room.elsewhere.has(told.process);
      room.elsewhere.set(told.process, { here: told.here, until: Date.now() + WORD_COUNTS_MS });
      this.sayWho(told.id);
      // A process that was not known has not heard of those who are here.
      if (!knew) this.tellOthers(told.id);
      return;
    }
    for (const listener of room?.listeners ?? [])
      if (told.kind === 'run') listener.send('run', {});
      else listener.send('session', { version: told.version });
  }

  /** Everybody who listens, with the session. */
  all(): readonly (readonly [session: string, listener: Listener])[] {
    return [...this.rooms].flatMap(([session, { listeners }]) => [...listeners].map((one) => [session, one] as const));
  }

  /** Whether this account may open one more. */
  hasRoomFor(accountId: string, most: number): boolean {
    return this.all().filter(([, listener]) => listener.accountId === accountId).length < most;
  }

  /** Who has a session open, each device once. */
  here(session: string): readonly Here[] {
    const room = this.rooms.get(session);
    if (!room) return [];
    const now = Date.now();
    for (const [process, { until }] of room.elsewhere) if (until < now) room.elsewhere.delete(process);
    const everybody = [...room.listeners, ...[...room.elsewhere.values()].flatMap(({ here }) => here)];
    return [...new Map(everybody.map(({ device, name }) => [device, { device, name }])).values()];
  }

  /** Says again to the other processes who is here, so that their word does not run out. */
  remind(): void {
    for (const session of this.rooms.keys()) this.tellOthers(session);
  }

  private changed(session: string): void {
    this.sayWho(session);
    this.tellOthers(session);
  }

  private sayWho(session: string): void {
    const here = this.here(session);
    for (const listener of this.rooms.get(session)?.listeners ?? []) listener.send('here', here);
  }

  private tellOthers(session: string): void {
    const listeners = [...(this.rooms.get(session)?.listeners ?? [])].slice(0, MOST_TOLD);
    const here = listeners.map(({ device, name }) => ({ device, name }));
    this.tell({ kind: 'here', id: session, process: this.process, here });
  }
}
