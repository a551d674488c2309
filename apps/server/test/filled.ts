import { v7 } from 'uuid';
import type { Harness, TestClub } from './harness';

/** One row in every table that belongs to a club. */
export async function fill(harness: Harness, owner: TestClub, swimmer: string): Promise<void> {
  const coach = await owner.as('coach');
  const focus = {
    id: v7(),
    cause: 'dropped-elbow',
    drill: 'front-scull',
    cue: 'Tips down.',
    tries: 4,
    relookOn: '2026-12-08',
  };
  const look = { stroke: 'front-crawl', model: 'long-line', level: 'hold', signs: { 'elbow-leads': 'often' } };
  await coach('PUT', `/reviews/${v7()}`, {
    ...look,
    swimmerId: swimmer,
    lookedAt: new Date().toISOString(),
    good: 'even kick',
    focus,
    version: 0,
    writeId: v7(),
  });
  await coach('PUT', `/focuses/${focus.id}/tries/${v7()}`, {
    drill: 'front-scull',
    verdict: 'same',
    note: '',
    at: new Date().toISOString(),
  });
  await coach('PUT', `/handout-links/${v7()}`, { focusId: focus.id, token: 'a'.repeat(37) + v7().slice(-6) });
  await coach('PUT', `/eye/tries/${v7()}`, { grade: 1, seed: 1, marked: [] });
  await coach('PUT', `/clips/${v7()}`, {
    swimmerId: swimmer,
    title: 'Side',
    recordedOn: '2026-11-25',
    durationS: 10,
    aspect: 2,
    distanceM: null,
    taps: [],
    lines: [],
    notes: [],
    version: 0,
    writeId: v7(),
  });
  const em = harness.owner.em.fork();
  await em.execute(
    `insert into result (id, club_id, swimmer_id, held_on, distance_m, time_s) values (?, ?, ?, now(), 400, 380)`,
    [v7(), owner.id, swimmer],
  );
  const session = v7();
  await em.execute(
    `insert into training_session (id, club_id, created_by, title, date, start_time, squad_ids, theme, minutes, plan, summary, write_id)
     values (?, ?, ?, 'x', now(), '19:00', array[?]::uuid[], 'spins', 60, '{}', '[]', ?)`,
    [session, owner.id, owner.accounts.coach!.id, owner.squads[0]!, v7()],
  );
  const put = (table: string, columns: string, values: readonly unknown[]) =>
    em.execute(`insert into ${table} (club_id, ${columns}) values (${['?', ...values].map(() => '?').join(', ')})`, [
      owner.id,
      ...values,
    ]);
  const coachId = owner.accounts.coach!.id;
  const today = '2026-11-25';
  const sentId = v7();
  await put('sent_clip', 'id, swimmer_id, asked_by, wish, view', [
    sentId,
    swimmer,
    owner.accounts.coach!.id,
    'Side',
    'side',
  ]);
  await put('sent_piece', 'clip_id, n, data', [sentId, 0, Buffer.from('x')]);
  await put('deck_event', 'id, session_id, noted_by, device, at_ms, fact', [v7(), session, coachId, v7(), 1, '{}']);
  await put('swim_rep', 'session_id, swimmer_id, passage, rep, held_on, distance_m, time_s, effort, stroke, at_ms', [
    session,
    swimmer,
    'p',
    1,
    today,
    50,
    50,
    0.8,
    'front-crawl',
    1,
  ]);
  await put('deck_sign', 'id, session_id, swimmer_id, sign, sighting, noted_on', [
    v7(),
    session,
    swimmer,
    'legs-low',
    'often',
    today,
  ]);
  await put('attendance', 'session_id, swimmer_id, held_on, status', [session, swimmer, today, 'in']);
  await put('test_result', 'id, swimmer_id, noted_by, kind, held_on, input, outcome, note, write_id', [
    v7(),
    swimmer,
    coachId,
    'glide',
    today,
    '{}',
    '{}',
    '',
    v7(),
  ]);
  const course = v7();
  await put('course', 'id, name, place, course, length_m, write_id', [course, 'Loop', '', '{}', 100, v7()]);
  await put('water_reading', 'course_id, date, hour, read', [course, today, 10, '{}']);
  await put('water_day', 'id, signed_by, starts_at, readings, people, decision, reasons', [
    v7(),
    coachId,
    today,
    '{}',
    '{}',
    'go',
    '[]',
  ]);
  await put('swum_track', 'id, swimmer_id, noted_by, course_name, course, habits, points, summary', [
    ...[v7(), swimmer, coachId, 'Loop', '{}', '{}', '[]'],
    JSON.stringify({ on: today, timeS: 1, swumM: 1, courseM: 1, drift: null }),
  ]);
  await put('race_plan', 'id, choices, write_id', [swimmer, '{}', v7()]);
  await put('race_outlook', 'swimmer_id, event, race_on, outlook, made_on', [
    ...[swimmer, 'Race', today, JSON.stringify({ kind: 'none', reason: { why: 'over' } }), today],
  ]);
  await put('plan_week', 'swimmer_id, monday, phase, kind, load, theme, test, notes', [
    ...[swimmer, today, 'build', 'normal', 1000, 'spins', false, '[]'],
  ]);
  await put('session_rating', 'session_id, swimmer_id, value', [session, swimmer, 5]);
  await put('access_log', 'account_id, swimmer_id, what', [coachId, swimmer, 'GET /swimmers/:id']);
  await put('roster_import', 'id, account_id, name, lines', [v7(), owner.accounts.head!.id, 'List.csv', '[]']);
  await put('invitation', 'token_hash, role, swimmer_id, made_by, expires_at, id', [
    ...[Buffer.from(v7()), 'swimmer', swimmer, owner.accounts.head!.id, '2999-01-01', v7()],
  ]);
  await put('password_reset', 'token_hash, account_id, expires_at', [
    ...[Buffer.from(v7()), owner.accounts.coach!.id, '2999-01-01'],
  ]);
  await put('erased', 'stand_in, erased_by', [v7(), owner.accounts.head!.id]);
  await put('library_entry', 'id, kind, key, body, changed_by, write_id', [
    ...[v7(), 'signs', 'gasps', JSON.stringify({ seen: 'gasps for air' }), owner.accounts.head!.id, v7()],
  ]);
  await put('club_job', 'id, state', [v7(), 'done']);
  await put('result_import', 'id, account_id, name, rows, stored', [v7(), coachId, 'May.csv', 1, 1]);
  // Rows on their way in are seen by their own coach alone.
  await put('result_chunk', 'import_id, chunk, account_id, rows', [v7(), 0, owner.accounts.head!.id, '[]']);
  await coach('PUT', `/calendar-links/${v7()}`, {
    squadId: owner.squads[0],
    token: v7().replaceAll('-', '').padEnd(43, 'a'),
  });
}
