import { readFileSync } from 'node:fs';
import path from 'node:path';
import { MOST_METRES_AN_HOUR, MOST_POOLED } from './clubLibrary';
import { MOST_BLIND_M, MOST_OF_OWN } from './library';
import { FEWEST_BETWEEN_LOOKS, MOST_BETWEEN_LOOKS } from './measures';
import { FULLEST_WEEK_M, fullestWeekM, longestSwimM, returnShares, TRIAL_DAYS } from './race';
import { CATALOGUE_LOOKS, LEARN_FROM, LEARNED_LIMITS } from './review';
import { LEVEL, LEVELS } from './swimmers';
import { numberWord } from './words';
import {
  AIR_C,
  FARTHEST_WITHOUT_AIR_M,
  LONGEST_WITHOUT_AIR_S,
  MOST_STROKES_BETWEEN,
  RECOVERY_S,
  WARM_WETSUIT,
  WATER_RULES,
} from './safety';
import {
  BEFORE_MAIN_S,
  FULL_REST,
  KICK_WITH_FINS,
  MOST_REPEATS,
  MOST_ROUNDS,
  PULL_WITH_BUOY,
  RECIPE,
  REST_PER_100,
  SHORT_BUTTERFLY,
  STROKE_SHARE,
  WEEKLY_RISE,
} from './sessions';
import { FIRST_TIME } from './water';

const page = (name: string) => readFileSync(path.join(__dirname, '../../../docs', name), 'utf8').replace(/\s+/g, ' ');

/** The docs tell numbers of safety and judgement: they are those of the code. */
describe.each<[string, readonly string[]]>([
  [
    'library.md',
    [
      `more than ${MOST_OF_OWN.metres} m, ${MOST_OF_OWN.seconds} s or ${MOST_OF_OWN.tries} tries`,
      `a breath less often than every ${MOST_STROKES_BETWEEN} strokes`,
      `closed eyes for more than ${MOST_BLIND_M} m`,
      `with that of up to ${MOST_POOLED} other clubs`,
      `more than ${numberWord(MOST_METRES_AN_HOUR)} m in an hour, ${LEVEL.settle.metresPerHour[1]} m for people who cannot swim 50 m`,
    ],
  ],
  [
    'review.md',
    [
      `From ${LEARN_FROM} closed focuses on`,
      `a Beta prior worth ${CATALOGUE_LOOKS} looks`,
      `stays between ${LEARNED_LIMITS[0]} and ${LEARNED_LIMITS[1]}`,
    ],
  ],
  [
    'sessions.md',
    [
      `${FARTHEST_WITHOUT_AIR_M} m and ${LONGEST_WITHOUT_AIR_S} s, turns included`,
      `at every depth of rounds: ${RECOVERY_S} s, and as long as the rep took`,
      `No more than ${MOST_ROUNDS} times through the same, no more than ${MOST_REPEATS} repeats`,
      `rests ${REST_PER_100[0]} to ${REST_PER_100[1]} s for each 100 m`,
      `${BEFORE_MAIN_S[0]} to ${BEFORE_MAIN_S.at(-1)} s before it, and before its second part, to drink`,
      `rest three times the swim, from ${FULL_REST.within[0]} to ${FULL_REST.within[1]} s`,
      ...LEVELS.map((level) => `${LEVEL[level].name} ${RECIPE[level].moving.map((share) => share * 100).join('–')} %`),
      `backstroke ${STROKE_SHARE.backstroke}, breaststroke ${STROKE_SHARE.breaststroke}, butterfly ${SHORT_BUTTERFLY.share} up to ${SHORT_BUTTERFLY.metres} m and then ${STROKE_SHARE.butterfly}, medley ${STROKE_SHARE.medley}, kick ${STROKE_SHARE.kick} or ${KICK_WITH_FINS} with fins, pull with a buoy ${PULL_WITH_BUOY}; with the stroke left open ${STROKE_SHARE.choice}`,
    ],
  ],
  [
    'water.md',
    [
      `from ${FEWEST_BETWEEN_LOOKS} to ${MOST_BETWEEN_LOOKS} strokes`,
      `waves over ${FIRST_TIME.wavesM} m, wind over ${FIRST_TIME.windMps} m/s, and marks beyond ${FIRST_TIME.fromShoreM} m`,
      `an hour at most at ${WARM_WETSUIT.fromC} to ${WARM_WETSUIT.overC} °C, none above ${WARM_WETSUIT.overC} °C`,
      `Under ${AIR_C.shelter} °C of air`,
      `feel like under ${AIR_C.feltShelter} °C`,
      `below −${-AIR_C.stop} °C no one goes in`,
      `beyond ${WATER_RULES.craftBeyondM} m a safety craft is needed; wind over ${WATER_RULES.windMps} m/s`,
      `more than ${WATER_RULES.rainMm} mm of rain in 72 hours and less than ${WATER_RULES.leastDepthM} m at the entry`,
      `1 to ${WATER_RULES.perWatcher}, 1 to ${WATER_RULES.perWatcherFirst} with first-timers`,
    ],
  ],
  [
    'race.md',
    [
      `A week rises at most ${WEEKLY_RISE * 100} % above it`,
      `2.5 times the race up to 3 km, ${fullestWeekM(10_000) / 1000} km for 10 km, ${fullestWeekM(25_000) / 1000} km for 25 km`,
      `never over ${FULLEST_WEEK_M / 1000} km`,
      `${longestSwimM(10_000, 2) / 1000} km for 10 km, ${longestSwimM(25_000, 2) / 1000} km for 25 km`,
      `second from ${returnShares(1)[0]! * 100} %; two, in the fourth from ${returnShares(2)[0]! * 100} %`,
      `swims of the last ${TRIAL_DAYS} days`,
    ],
  ],
])('docs/%s', (name, phrases) => {
  it.each(phrases)('says “%s”', (phrase) => expect(page(name)).toContain(phrase));
});
