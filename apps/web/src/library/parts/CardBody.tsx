/** All that a card of the library says, under its line in the list or beside the list. */
import { drillCard, type DrillId, ladderCard, type LadderId } from '@upwell/core/library';
import { causeCard, type CauseId, signCard, type SignId } from '@upwell/core/review';
import { levelCard, LEVELS } from '@upwell/core/swimmers';
import { sentenceCase } from '@upwell/core/text';
import { type Href, useRouter } from 'expo-router';
import { CueForm, StrengthForm } from './CauseForms';
import { CauseDetails, DrillDetails, LadderDetails } from './Details';
import { LadderForm, LevelDetails } from './LadderForms';
import { OwnActions } from './OwnActions';
import { SignDetails } from './SignForms';

export const SHELVES = ['causes', 'drills', 'signs', 'ladders', 'models'] as const;
export type Shelf = (typeof SHELVES)[number];

export function CardBody({ shelf, id }: { readonly shelf: Shelf; readonly id: string }) {
  const router = useRouter();
  if (shelf === 'drills')
    return (
      <>
        <DrillDetails id={id as DrillId} />
        <OwnActions
          kind="drills"
          id={id}
          name={drillCard(id as DrillId).name}
          change="Change the card"
          onChange={() => router.navigate(`/library/drill/${id}` as Href)}
        />
      </>
    );
  if (shelf === 'signs') return <SignDetails id={id as SignId} />;
  if (shelf === 'causes')
    return (
      <>
        <CauseDetails id={id as CauseId} />
        <CauseForms id={id as CauseId} />
      </>
    );
  const level = LEVELS.find((known) => known === id);
  if (level) return <LevelDetails id={level} />;
  return (
    <>
      <LadderDetails id={id as LadderId} />
      <LadderForm id={id as LadderId} />
    </>
  );
}

/** What a card is called. */
export const nameOf = (shelf: Shelf, id: string): string => {
  if (shelf === 'drills') return drillCard(id as DrillId).name;
  if (shelf === 'signs') return sentenceCase(signCard(id as SignId).seen);
  if (shelf === 'causes') return causeCard(id as CauseId).name;
  const level = LEVELS.find((known) => known === id);
  return level ? levelCard(level).name : ladderCard(id as LadderId).name;
};

function CauseForms({ id }: { readonly id: CauseId }) {
  return (
    <>
      <CueForm id={id} />
      <StrengthForm id={id} />
    </>
  );
}
