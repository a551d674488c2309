// What the cards of causes and signs can be found by.
import { findAmong } from '../words';
import { causeCard, type CauseId, linksOf, signCard, type SignId } from './catalogue';

/** The causes that answer a question in any words, by name first. @example findCauses('midline', causes) */
export function findCauses(asked: string, causes: readonly CauseId[]): CauseId[] {
  return findAmong(asked, causes, (id) => {
    const { name, costs, check, cue } = causeCard(id);
    const shows = (Object.keys(linksOf(id)) as SignId[]).map((sign) => signCard(sign).seen);
    return { name, others: [costs, check, cue, ...shows].join(' ') };
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
