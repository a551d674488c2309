import { LibraryEntryEntity } from '../library/entities';
import { AccountEntity, InvitationEntity, PasswordResetEntity, SignInSessionEntity } from '../account/entities';
import { DeckEventEntity } from '../deck/entities';
import {
  ClubJobEntity,
  PlanWeekEntity,
  RaceOutlookEntity,
  RacePlanEntity,
  SessionRatingEntity,
} from '../race/entities';
import { EyeTryEntity } from '../eye/entities';
import { HandoutLinkEntity } from '../handout/entities';
import { ResultImportEntity, TestResultEntity } from '../records/entities';
import { ClipEntity, FocusEntity, FocusTryEntity, ReviewEntity } from '../review/entities';
import { CalendarLinkEntity, TrainingSessionEntity } from '../sessions/entities';
import { ClubEntity, ResultEntity, SquadCoachEntity, SquadEntity, SwimmerEntity } from '../swimmers/entities';
import { CourseEntity, SwumTrackEntity, WaterDayEntity } from '../water/entities';

/** Every table, by its domain. */
export const ENTITIES = [
  ClubEntity,
  AccountEntity,
  SignInSessionEntity,
  InvitationEntity,
  PasswordResetEntity,
  SquadEntity,
  SquadCoachEntity,
  SwimmerEntity,
  ReviewEntity,
  FocusEntity,
  FocusTryEntity,
  ClipEntity,
  EyeTryEntity,
  LibraryEntryEntity,
  HandoutLinkEntity,
  TrainingSessionEntity,
  CalendarLinkEntity,
  ResultEntity,
  DeckEventEntity,
  TestResultEntity,
  ResultImportEntity,
  CourseEntity,
  SwumTrackEntity,
  WaterDayEntity,
  RacePlanEntity,
  RaceOutlookEntity,
  PlanWeekEntity,
  SessionRatingEntity,
  ClubJobEntity,
];
