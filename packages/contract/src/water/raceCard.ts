import { COURSE_LIMIT, LONGEST_LEG_M, TURN_SIDES, type RaceCard } from '@upwell/core/water';
import { Joi } from '../joi';
import { line, oneOf } from '../common';
import { number } from './course';

// The race card on paper.

const words = (most: number) => Joi.array().items(line(300)).max(most).required();
/** Legs of a card on paper: more would hold up the server for seconds, and would not be read. */
const MOST_CARD_LEGS = 120;
/** A card as the page shows it; only printed, never kept. */
export const raceCardSchema = Joi.object<RaceCard>({
  course: line(80).required(),
  swimmer: line(120).allow('').required(),
  day: line(200).required(),
  metres: number.min(0).max(1e6).required(),
  timeS: number.min(0).max(1e6).required(),
  legs: Joi.array()
    .items(
      Joi.object({
        name: line(140).required(),
        metres: number.min(0).max(LONGEST_LEG_M).required(),
        timeS: number.min(0).max(1e6).required(),
        aim: line(200).required(),
        aimDeg: number.min(-180).max(180).allow(null).default(null),
        mixedUp: line(300).allow(null).default(null),
        side: oneOf(['left', 'right', 'either']).required(),
        every: number.integer().min(1).max(60).required(),
        good: Joi.array().ordered(number.integer().required(), number.integer().required()).length(2).required(),
        rateSpm: number.min(10).max(200).required(),
        headingDeg: number.min(0).max(360).required(),
        turn: oneOf(TURN_SIDES).allow(null).required(),
        turnWhen: line(300).allow(null).default(null),
      }),
    )
    .min(1)
    .max(MOST_CARD_LEGS)
    .required(),
  start: words(10),
  turns: words(10),
  feet: words(10),
  feeds: words(10).optional().default([]),
  exits: words(COURSE_LIMIT.exits).optional().default([]),
  ifs: Joi.array()
    .items(Joi.object({ when: line(200).required(), then: line(300).required() }))
    .max(20)
    .required(),
  kit: words(20),
});
