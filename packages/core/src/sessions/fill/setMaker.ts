// Makes the sets of a main part for one level: effort, breathing, looks, cue and rest.
import { causeCard, type CauseId } from '../../review';
import { lookFor } from '../plan/looks';
import type { AnySet, Breathing, Sighting, SwimSet } from '../plan/model';
import type { Context } from './candidate';
import { cueFor, strokeOf } from './cues';
import { EVERY_THREE, EVERY_TWO, FREE, rested, swim, type SwimOptions } from './plainSet';
import { RECIPE } from './recipe';

/** Whether a theme is practised with looks. */
export const looks = (theme: CauseId): boolean => causeCard(theme).stage === 'open-water skills';

/** What the kick is swum with tonight, or nothing. */
export const kickKit = ({ kit }: Context) => (['board', 'fins'] as const).find((k) => kit.includes(k));

/** How one level swims: what is the same in every set of its main part. */
export class SetMaker {
  private readonly recipe;
  private readonly stroke;
  private readonly breathing: Breathing;
  private readonly sight: boolean;
  private readonly cue: string;
  private count = 0;

  constructor(
    private readonly context: Context,
    private readonly more: number,
    private readonly prefix: string,
  ) {
    const { level } = context.groupRequest;
    this.recipe = RECIPE[level];
    this.stroke = strokeOf(context.theme);
    this.sight = looks(context.theme) && level !== 'settle';
    const crawl = this.stroke === 'front-crawl' && level !== 'settle';
    this.breathing = !crawl ? FREE : this.sight ? EVERY_TWO : EVERY_THREE;
    this.cue = cueFor(context.theme, context.groupRequest);
  }

  /** A swim with its rest. */
  set(reps: number, lengths: number, o: SwimOptions = {}): SwimSet {
    const effort = o.effort ?? this.recipe.mainEffort;
    const set = swim(this.id(), reps, lengths, {
      stroke: this.stroke,
      breathing: o.stroke || effort > STRONG ? FREE : this.breathing,
      ...o,
      effort,
    });
    return this.rest(set);
  }

  /** A swim in which the theme is practised: two of them, with more and fewer looks, where one looks ahead. */
  theme(reps: number, lengths: number, o: SwimOptions = {}): SwimSet[] {
    const effort = o.effort ?? this.recipe.themeEffort;
    if (!this.sight) return [this.set(reps, lengths, { ...o, effort, note: this.cue })];
    const [often, seldom] = this.looks();
    return [
      this.set(reps, lengths, { ...o, effort, note: this.cue, sighting: seldom }),
      this.set(reps, lengths, { ...o, effort, note: 'The same with twice the looks.', sighting: often }),
    ];
  }

  /** One swim with the theme; with looks every other one has more of them. */
  one(lengths: number, i: number, o: SwimOptions = {}): SwimSet {
    return this.set(1, lengths, {
      ...o,
      note: this.cue,
      ...(this.sight ? { sighting: this.looks()[i % 2 === 0 ? 1 : 0] } : {}),
    });
  }

  rest<S extends AnySet>(set: S): S {
    // Beginners rest as long as the hour leaves them.
    if (this.context.groupRequest.level === 'settle')
      return { ...set, timing: { kind: 'rest', seconds: Math.round((20 + this.more * 90) / 5) * 5 } };
    return rested(set, this.more, this.recipe.sendOffs, this.context);
  }

  id(): string {
    return `${this.prefix}-${++this.count}`;
  }

  private looks(): readonly [often: Sighting, seldom: Sighting] {
    return [lookFor(this.breathing, 'often'), lookFor(this.breathing, 'seldom')];
  }
}

/** From this effort on everybody breathes as they need. */
const STRONG = 0.87;
