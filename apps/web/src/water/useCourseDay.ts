import { dayIn } from '@upwell/core/days';
import { legsOf, lengthOf, planLeg, type Leg, type LegPlan } from '@upwell/core/water';
import type { CourseView } from '@upwell/contract/water';
import { useLocalSearchParams } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { useDraft } from '@/state/hooks';
import { firstConditions, waterAt, type Conditions } from './conditions';
import { useSwimmerOutside, type Outside, type Who } from './useSwimmerOutside';

/** Seed of the swims: the same for everyone, so that two coaches see the same numbers. */
const SEED = 1;
const FIRST_WHO: Who = { level: 'hold' };

interface CourseDay {
  readonly conditions: Conditions;
  readonly setConditions: (next: Conditions) => void;
  readonly who: Who;
  readonly setWho: (who: Who) => void;
  readonly legs: readonly Leg[];
  readonly metres: number;
  /** Null while the swimmer is on the way. */
  readonly outside: Outside | null;
  readonly plans: readonly LegPlan[] | null;
}

/** A course on a day: who it is for and what the water does, as this device keeps them, and what follows for each leg. */
export function useCourseDay({ id, course, timeZone }: CourseView): CourseDay {
  const [first] = useState(() => firstConditions(dayIn(timeZone, Date.now())));
  const [conditions, setConditions] = useDraft<Conditions>(`water:${id}`, first);
  const [who, setWho] = useDraft<Who>(`water-who:${id}`, FIRST_WHO);
  // A link may say whose it is.
  const { swimmer } = useLocalSearchParams<{ swimmer?: string }>();
  useEffect(() => {
    if (swimmer) setWho({ id: swimmer });
  }, [swimmer, setWho]);
  const legs = useMemo(() => legsOf(course), [course]);
  const metres = lengthOf(legs);
  const outside = useSwimmerOutside(who, metres);
  const water = waterAt(conditions, timeZone);
  const plans = outside
    ? legs.map((l, i) => planLeg(l, legs[i + 1] ?? null, outside.swimmer, water, course.landmarks, SEED))
    : null;
  return { conditions, setConditions, who, setWho, legs, metres, outside, plans };
}
