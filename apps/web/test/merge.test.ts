import { sessionFieldsOf, type SessionFields, type SessionView } from '@upwell/contract/sessions';
import { addItem, editSet, moveItem, type SessionPlan } from '@upwell/core/sessions';
import { mergeWith } from '@/offline';
import { openFor } from '@/offline/db';
import { enqueue, sendChanges, waitingChanges, type Post, type Sent } from '@/offline/outbox';
import { draftOf, isChanged, rebased, undone, withFields, withPlan } from '@/sessions/draft';
import { mergeSession, mergeWaiting } from '@/sessions/together';
import { SESSION } from './fakeServer';

let account = 0;
beforeEach(() => openFor(`merge-${account++}`));
mergeWith(/^\/sessions\/[^/]+$/, (base, mine, theirs) => Promise.resolve(mergeWaiting(base, mine, theirs)));

const BASE = sessionFieldsOf(SESSION);
const [first, second] = BASE.plan.groups[0]!.blocks.flatMap((b) => b.items).filter((i) => i.kind === 'swim');
const edited = (reps: number, id = first!.id) => ({ ...BASE, plan: editSet(BASE.plan, id, { reps }) });
const asView = (fields: SessionFields, version: number): SessionView => ({ ...SESSION, ...fields, version });
const repsOf = (plan: SessionPlan, id: string) =>
  new RegExp(`"id":"${id}","reps":(\\d+)`).exec(JSON.stringify(plan))?.[1];

/** A server that holds one session, and takes a save on top of its own version alone. */
function server(holds: SessionView) {
  let now = holds;
  const seen = new Set<string>();
  const lose: boolean[] = [];
  const post: Post = async ({ body }): Promise<Sent> => {
    const { version, writeId, ...fields } = body as SessionFields & { version: number; writeId: string };
    if (!seen.has(writeId)) {
      if (version !== now.version)
        return { kind: 'conflict', status: 409, problem: { detail: 'Changed.', current: now } };
      now = { ...asView(fields, version + 1) };
      seen.add(writeId);
    }
    return lose.shift() ? { kind: 'broken', problem: {} } : { kind: 'stored', data: now };
  };
  return { post, lose, now: () => now };
}

const save = (fields: SessionFields, version: number, writeId: string, base: SessionFields = BASE) =>
  enqueue({
    id: writeId,
    path: `/sessions/${SESSION.id}`,
    method: 'PUT',
    label: 'Session',
    body: { ...fields, version, writeId },
    base,
  });

describe('a session that waited', () => {
  it('goes on top of what others saved meanwhile', async () => {
    const { post, now } = server(asView({ ...edited(9, second!.id), title: 'Theirs' }, 7));
    await save(edited(7), 2, 'a');
    await sendChanges(post);
    expect(await waitingChanges()).toEqual([]);
    expect([now().version, now().title, repsOf(now().plan, first!.id), repsOf(now().plan, second!.id)]).toEqual([
      ...[8, 'Theirs', '7', '9'],
    ]);
  });

  it('goes so save by save, each on what the one before it said', async () => {
    const { post, now } = server(asView({ ...BASE, title: 'Theirs' }, 7));
    const one = edited(7);
    await save(one, 2, 'a');
    await save({ ...one, startTime: '06:15' }, 3, 'b', one);
    await sendChanges(post);
    expect(await waitingChanges()).toEqual([]);
    expect([now().version, now().title, now().startTime, repsOf(now().plan, first!.id)]).toEqual([
      ...[9, 'Theirs', '06:15', '7'],
    ]);
  });

  it('is stored once when the answer is lost after it was put together', async () => {
    const { post, lose, now } = server(asView({ ...BASE, title: 'Theirs' }, 7));
    lose.push(true);
    await save(edited(7), 2, 'a');
    await sendChanges(post);
    expect((await waitingChanges()).map(({ state }) => state)).toEqual(['waiting']);
    await sendChanges(post);
    expect(await waitingChanges()).toEqual([]);
    expect([now().version, now().title, repsOf(now().plan, first!.id)]).toEqual([8, 'Theirs', '7']);
  });

  it('asks the coach where both changed the same thing', async () => {
    const { post, now } = server(asView(edited(9), 7));
    await save(edited(7), 2, 'a');
    await sendChanges(post);
    const [stuck] = await waitingChanges();
    expect(stuck).toMatchObject({ state: 'conflict', current: { version: 7 }, body: { version: 2 } });
    expect(repsOf(now().plan, first!.id)).toBe('9');
  });

  it('asks the coach where it is not known what it was changed from', async () => {
    const { post } = server(asView({ ...BASE, title: 'Theirs' }, 7));
    const body = { ...edited(7), version: 2, writeId: 'a' };
    await enqueue({ id: 'a', path: `/sessions/${SESSION.id}`, method: 'PUT', label: 'Session', body });
    await sendChanges(post);
    expect((await waitingChanges()).map(({ state }) => state)).toEqual(['conflict']);
  });

  it('is left to the screen where somebody looks on', async () => {
    const { post } = server(asView({ ...BASE, title: 'Theirs' }, 7));
    const seq = await save(edited(7), 2, 'a');
    const { sent } = await sendChanges(post, new Set([seq]));
    expect(sent.get(seq)!.kind).toBe('conflict');
  });
});

describe('two changes of one session', () => {
  it('are in it side by side, whatever they are of', () => {
    const { fields, clashes } = mergeSession({
      base: { ...BASE, squadIds: ['a', 'b'], breatheFreely: ['x'] },
      mine: { ...BASE, squadIds: ['a', 'b', 'c'], breatheFreely: [], startTime: '06:15' },
      theirs: { ...BASE, squadIds: ['a'], breatheFreely: ['x', 'y'], title: 'Theirs' },
    });
    expect(fields).toMatchObject({ squadIds: ['a', 'c'], breatheFreely: ['y'], startTime: '06:15', title: 'Theirs' });
    expect(clashes).toEqual([]);
  });

  it('name what both changed', () => {
    const { fields, clashes } = mergeSession({
      base: BASE,
      mine: { ...edited(7), title: 'Mine' },
      theirs: { ...edited(9), title: 'Theirs' },
    });
    expect([fields.title, repsOf(fields.plan, first!.id)]).toEqual(['Mine', '7']);
    expect(clashes).toHaveLength(2);
    expect(clashes).toContain('the title');
  });
});

describe('a draft on top of what somebody else saved', () => {
  const theirs = asView({ ...edited(9, second!.id), title: 'Theirs' }, 7);

  it('holds both, and undo takes back the own change alone', () => {
    const draft = withPlan(draftOf(SESSION), edited(7).plan);
    const next = rebased(draft, theirs)!;
    expect([next.version, next.fields.title, isChanged(next)]).toEqual([7, 'Theirs', true]);
    expect([repsOf(next.fields.plan, first!.id), repsOf(next.fields.plan, second!.id)]).toEqual(['7', '9']);
    const back = undone(next);
    expect(back.fields.plan).toEqual(theirs.plan);
    expect(isChanged(back)).toBe(false);
  });

  it('is what is stored when nothing was changed here', () => {
    const next = rebased(draftOf(SESSION), theirs)!;
    expect(next.fields).toEqual(sessionFieldsOf(theirs));
    expect(isChanged(next)).toBe(false);
  });

  it('has a set once that both moved', () => {
    const [block, other] = BASE.plan.groups[0]!.blocks.filter((b) => b.items.length > 0);
    const draft = withPlan(draftOf(SESSION), moveItem(BASE.plan, first!.id, { holderId: other!.id, index: 0 }));
    const added = addItem(BASE.plan, { ...first!, id: 'theirs' } as never, { holderId: block!.id, index: 0 });
    const next = rebased(draft, asView({ ...BASE, plan: added }, 7))!;
    expect(JSON.stringify(next.fields.plan).split(`"id":"${first!.id}"`)).toHaveLength(2);
    expect(JSON.stringify(next.fields.plan)).toContain('"id":"theirs"');
  });

  it('of an earlier version of the app is left alone: nobody knows what it began from', () => {
    const { base: _, ...old } = withFields(draftOf(SESSION), { title: 'Old' });
    expect(rebased(old, theirs)).toBeNull();
    expect(isChanged(old)).toBe(true);
  });
});
