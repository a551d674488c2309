import { AccountEntity, SignInSessionEntity } from '../account/entities';
import { FocusEntity, ReviewEntity } from '../review/entities';
import { TrainingSessionEntity } from '../sessions/entities';
import {
  AccessLogEntity,
  ClubEntity,
  ResultEntity,
  SquadCoachEntity,
  SquadEntity,
  SwimmerEntity,
} from '../swimmers/entities';

/** Every table, by its domain. */
export const ENTITIES = [
  ClubEntity,
  AccountEntity,
  SignInSessionEntity,
  SquadEntity,
  SquadCoachEntity,
  SwimmerEntity,
  ReviewEntity,
  FocusEntity,
  TrainingSessionEntity,
  ResultEntity,
  AccessLogEntity,
];
