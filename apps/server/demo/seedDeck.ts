// Sessions that were run on deck, and the tests that were swum in them.
import { momentIn } from '@upwell/core/days';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { Me } from '@upwell/contract/account';
import { type DeckEvent, type DeckFact, type DeckPerson, departureMs, runSetup, runState } from '@upwell/core/deck';
import { speedOver400 } from '@upwell/core/sessions';
import { levelCard } from '@upwell/core/swimmers';
import { keptOutcome, type TestInput, testOutcome } from '@upwell/core/swimtests';
import { addEvents } from '../src/deck';
import { inPlace } from '../src/work/inPlace';
import { TestResultEntity } from '../src/records/entities';
import { TrainingSessionEntity } from '../src/sessions/entities';
import { ACCOUNTS, CLUB, PEOPLE, type Person, type SquadKey } from './people';
import { idFor, numbers } from './random';
import { bestTimesOf, CLUB_ID, isoDay, swimmerId } from './shared';

const DEVICE = idFor('demo phone');

/** The sessions swum last, as they were run: heads, every time at the wall, strokes of the first rep, a sign or two. */
export async function seedRuns(em: EntityManager): Promise<void> {
  for (const [key, squad] of [
    ['session -3', 'first'],
    ['session -5', 'evening'],
    ['session -7', 'crossing'],
  ] as const)
    await seedRun(em, key, squad);
}

async function seedRun(em: EntityManager, key: string, squad: SquadKey): Promise<void> {
  const session = await em.findOneOrFail(TrainingSessionEntity, { id: idFor(key) });
  const random = numbers(key.length + squad.length);
  const people = PEOPLE.filter((p) => p.squad === squad);
  const setup = runSetup(session.title, session.plan, people.map(deckPerson));
  const begun = momentIn(CLUB.timeZone, session.date, session.startTime);
  const events: DeckEvent[] = [];
  const note = (atMs: number, fact: DeckFact) => {
    const event = { id: idFor(`${key} event ${events.length}`), device: DEVICE, atMs: Math.round(atMs), ...fact };
    events.push(event);
    return event;
  };
  note(begun, { kind: 'begin', setup });
  people.forEach((p, i) => note(begun + 1000 + i * 700, { kind: 'attend', swimmer: swimmerId(p), as: 'in' }));
  for (const lane of setup.lanes) {
    let at = begun + 20_000;
    lane.passages.forEach((passage, index) => {
      at += passage.beforeS * 1000;
      note(at, { kind: 'go', lane: lane.id, index });
      if (passage.countdownS !== null) {
        at += passage.countdownS * 1000;
        return;
      }
      // Where each leaves is for core to say; only this lane's go matters for it.
      const state = runState([events[0]!, events.at(-1)!]);
      const here = state.lanes.find((l) => l.id === lane.id)!.passages[index]!;
      let last = at;
      for (let rep = 1; rep <= passage.reps; rep++) {
        for (const swimmer of here.order) {
          const slower = 1 + 0.01 * rep * random() + 0.02 * (random() - 0.5);
          const home = departureMs(here, swimmer, rep)! + passage.expectedS[swimmer]! * 1000 * slower;
          note(home, { kind: 'wall', lane: lane.id, swimmer });
          if (rep === 1 && passage.set?.drill === null)
            note(home + 900, {
              kind: 'strokes',
              swimmer,
              passage: passage.id,
              rep,
              count: Math.round(17 + 8 * random()),
            });
          last = Math.max(last, home + 1000);
        }
      }
      at = last;
    });
  }
  const [first] = people;
  note(begun + 900_000, { kind: 'sign', swimmer: swimmerId(first!), sign: 'legs-low', sighting: 'often' });
  const end = Math.max(...events.map((e) => e.atMs)) + 1000;
  people.forEach((p, i) => note(end + i * 700, { kind: 'attend', swimmer: swimmerId(p), as: 'out' }));
  note(end + 60_000, { kind: 'end' });
  await addEvents(em, inPlace, coach(squad), session.id, events);
}

const coach = (squad: SquadKey): Me => {
  const account = ACCOUNTS[squad === 'first' ? 2 : 1];
  return {
    accountId: idFor(account.email),
    name: account.name,
    role: account.role,
    clubId: CLUB_ID,
    clubName: CLUB.name,
    timeZone: CLUB.timeZone,
    units: 'm',
    libraryVersion: 1,
    swimmerId: null,
  };
};

function deckPerson(p: Person): DeckPerson {
  const own = speedOver400(bestTimesOf(p));
  return {
    id: swimmerId(p),
    name: `${p.given} ${p.family}`,
    level: p.level,
    v400Mps: own ?? levelCard(p.level).defaultV400Mps,
    paceIsGuess: own === null,
    bests: bestTimesOf(p),
    age: 'adult',
    healthFlags: [],
  };
}

/** Tests of the season: critical speed of all who are timed, and for a few the rest of the set. */
export async function seedTests(em: EntityManager, now: Date): Promise<void> {
  const random = numbers(41);
  const rows: { person: Person; inDays: number; input: TestInput }[] = [];
  const wave = (share: number) => 1 + share * (random() - 0.5);
  for (const person of PEOPLE.filter((p) => p.t400S !== null && p.level !== 'settle')) {
    [-66, -38, -10].forEach((inDays, i) =>
      rows.push({
        person,
        inDays,
        input: {
          kind: 'critical-speed',
          trials: bestTimesOf(person).map(({ distanceM, timeS }) => ({
            distanceM,
            timeS: Math.round(timeS * (1 + (2 - i) * 0.012) * 10) / 10,
          })),
        },
      }),
    );
  }
  for (const [given, top, bias] of [
    ['Mirela', 62, 1.6],
    ['Runa', 74, -0.8],
    ['Bo', 70, 0.9],
    ['Sol', 66, -1.9],
  ] as const) {
    const person = PEOPLE.find((p) => p.given === given)!;
    const speed = 400 / person.t400S!;
    const ramp = [-12, -8, -4, 0, 4, 8, 12].map((by) => {
      const rate = top - 2 + by;
      const clean = (speed * 1.06 - 0.0007 * (rate - top) ** 2) * wave(0.008);
      return {
        timeS: Math.round(2 * (2.6 + 20 / clean) * 10) / 10,
        strokes: Math.round((rate / 60) * (20 / clean)),
      };
    });
    rows.push({
      person,
      inDays: -9,
      input: { kind: 'rate-ramp', lengthM: 25, repM: 50, pushOffM: 5, pushOffS: 2.6, reps: ramp },
    });
    for (const [i, inDays] of [-60, -32, -6].entries()) {
      rows.push({
        person,
        inDays,
        input: {
          kind: 'closed-eyes',
          strokes: 10,
          strokeLengthM: 0.95,
          offM: Array.from(
            { length: 5 },
            () => Math.round((bias * (1.3 - 0.25 * i) + 0.5 * (random() - 0.5)) * 20) / 20,
          ),
        },
      });
      rows.push({
        person,
        inDays,
        input: {
          kind: 'clean-length',
          lengths: Array.from({ length: 3 }, () => ({
            lengthM: 25,
            pushOffM: 5,
            pushOffS: 2.6,
            timeS: Math.round((2.6 + 20 / (speed * (0.98 + 0.012 * i) * wave(0.02))) * 100) / 100,
            strokes: Math.round(22 - i + 1.5 * random()),
          })),
        },
      });
    }
    rows.push({ person, inDays: -20, input: { kind: 'glide', metres: [6.1, 6.4, 6.2].map((m) => m * wave(0.05)) } });
    rows.push({ person, inDays: -20, input: { kind: 'tumble', timesS: [9.4, 9.2, 9.5].map((s) => s * wave(0.03)) } });
  }
  await em.insertMany(
    TestResultEntity,
    rows.map(({ person, inDays, input }) => {
      const key = `${person.given} ${input.kind} ${inDays}`;
      return {
        id: idFor(key),
        clubId: CLUB_ID,
        swimmerId: swimmerId(person),
        notedBy: idFor(ACCOUNTS[1].email),
        kind: input.kind,
        heldOn: isoDay(now, inDays),
        input,
        outcome: keptOutcome(testOutcome(input)),
        note: '',
        version: 1,
        writeId: idFor(`${key} write`),
      };
    }),
  );
}
