// What the cards of causes and signs can be found by.
import { findAmong } from '../words';
import { drillCard } from '../library';
import { causeCard, type CauseId, linksOf, signCard, type SignId } from './catalogue';
import { SAID_OF_CAUSE, SAID_OF_STAGE } from './catalogue/said';

/**
 * The causes that answer a question in any words, by name first: by fault, by what is seen, by skill, by drill and by
 * what coaches say every day.
 *
 * @example findCauses('midline', causes)
 * @example findCauses('cold', causes) // what keeps somebody calm
 */
export function findCauses(asked: string, causes: readonly CauseId[]): CauseId[] {
  return findAmong(asked, causes, (id) => {
    const { name, costs, check, cue, stage, answers } = causeCard(id);
    const shows = (Object.keys(linksOf(id)) as SignId[]).map((sign) => signCard(sign).seen);
    const drills = answers.map((drill) => drillCard(drill).name);
    const said = [stage, SAID_OF_STAGE[stage], SAID_OF_CAUSE[id] ?? ''];
    return { name, others: [costs, check, cue, ...shows, ...drills, ...said].join(' ') };
  });
}

/** The signs that answer a question in any words: what is seen, where on the body, and what it can come from. */
export function findSigns(asked: string, signs: readonly SignId[], causes: readonly CauseId[]): SignId[] {
  return findAmong(asked, signs, (id) => {
    const { seen, part, phase } = signCard(id);
    const from = causes.filter((cause) => id in linksOf(cause)).map((cause) => causeCard(cause).name);
    return { name: seen, others: [part, phase, ...from].join(' ') };
  });
}
