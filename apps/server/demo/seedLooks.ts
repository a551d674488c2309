import type { EntityManager } from '@mikro-orm/postgresql';
import { eyeClip } from '@upwell/core/eye';
import type { Tap } from '@upwell/core/measures';
import { EyeTryEntity } from '../src/eye/entities';
import { ClipEntity } from '../src/review/entities';
import { ACCOUNTS } from './people';
import STILLS from './stills.json';
import { idFor, numbers } from './random';
import { isoDay } from './shared';

/** Mirela from the side, ten strokes: the left arm waits a little, and breathes to the left only. */
export async function seedClip(em: EntityManager, clubId: string, swimmerId: string, now: Date): Promise<void> {
  const taps = Array.from({ length: 10 }, (_, i) => i).flatMap((i): Tap[] => {
    const side = i % 2 === 0 ? 'left' : 'right';
    const at = 0.6 + Math.floor(i / 2) * 2.1 + (side === 'right' ? 1.16 : 0);
    return [
      { kind: 'entry', side, timeS: at },
      { kind: 'catch', side, timeS: at + 0.62 },
      { kind: 'exit', side, timeS: at + 1.3 },
      ...(i % 4 === 0 ? [{ kind: 'breath' as const, side: 'left' as const, timeS: at + 1.4 }] : []),
    ];
  });
  await em.insert(ClipEntity, {
    id: idFor('clip mirela'),
    clubId,
    swimmerId,
    coachId: idFor(ACCOUNTS[1].email),
    title: 'Side, lane 2',
    recordedOn: isoDay(now, -12),
    durationS: 12,
    aspect: 2,
    distanceM: 8.4,
    taps: taps.map((tap) => ({ ...tap, timeS: Math.round(tap.timeS * 100) / 100 })).sort((a, b) => a.timeS - b.timeS),
    lines: [],
    notes: [{ startS: 2.7, endS: 4, text: 'left hand waits in front' }],
    version: 1,
    writeId: idFor('clip mirela write'),
  });
}

/** Dilys from the side, four weeks apart: her hips were a hand under water, and are at the surface now. */
export async function seedStills(em: EntityManager, clubId: string, swimmerId: string, now: Date): Promise<void> {
  for (const [name, days, sentence] of [
    ['then', -30, 'Your hips are a hand under the shoulders.'],
    ['now', -2, 'Shoulders and hips in one line, just under the surface.'],
  ] as const) {
    const image = STILLS[name];
    await em.insert(ClipEntity, {
      id: idFor(`clip dilys ${name}`),
      ...{ clubId, swimmerId, coachId: idFor(ACCOUNTS[1].email) },
      ...{ title: 'Side, from the wall', recordedOn: isoDay(now, days), durationS: 8, aspect: 2, distanceM: null },
      taps: [],
      lines: [
        {
          ...{ id: idFor(`line dilys ${name}`), kind: 'trunk', timeS: 1 },
          line: [
            { x: 165 / 480, y: (name === 'then' ? 120 : 115) / 240 },
            { x: 262 / 480, y: (name === 'then' ? 148 : 122) / 240 },
          ],
        },
      ],
      ...{ notes: [], version: 1, writeId: idFor(`clip dilys ${name} write`) },
    });
    const stills = JSON.stringify([{ timeS: 1, sentence, width: 480, height: 240, image }]);
    await em.execute('update clip set stills = ?::jsonb, stills_agreed_at = ? where id = ?', [
      ...[stills, now, idFor(`clip dilys ${name}`)],
    ]);
  }
}

/** Both coaches have looked at the same simulated swimmers, and do not always agree. */
export async function seedEye(em: EntityManager, clubId: string): Promise<void> {
  const random = numbers(23);
  for (const { email, sharp } of [
    { email: ACCOUNTS[1].email, sharp: 0.85 },
    { email: ACCOUNTS[2].email, sharp: 0.7 },
  ]) {
    for (let seed = 1; seed <= 8; seed++) {
      const clip = eyeClip(seed <= 4 ? 1 : 2, seed);
      await em.insert(EyeTryEntity, {
        id: idFor(`eye ${email} ${seed}`),
        clubId,
        accountId: idFor(email),
        grade: clip.grade,
        seed,
        marked: clip.options.filter((sign) => random() < (clip.truth.includes(sign) ? sharp : 1 - sharp)),
      });
    }
  }
}
