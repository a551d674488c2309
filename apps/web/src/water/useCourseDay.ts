import { legsOf, lengthOf, planLeg, type Leg, type LegPlan } from '@upwell/core/water';
import type { CourseView } from '@upwell/contract/water';
import { useLocalSearchParams } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { useDraft } from '@/state/hooks';
import { useSwimmerOutside, type Outside, type Who } from './useSwimmerOutside';
import { useWater, type Water } from './useWater';

/** Seed of the swims: the same for everyone, so that two coaches see the same numbers. */
const SEED = 1;
const FIRST_WHO: Who = { level: 'hold' };

interface CourseDay {
  readonly water: Water;
  readonly who: Who;
  readonly setWho: (who: Who) => void;
  readonly legs: readonly Leg[];
  readonly metres: number;
  /** Null while the swimmer is on the way. */
  readonly outside: Outside | null;
  readonly plans: readonly LegPlan[] | null;
}

/** A course at an hour: who it is for, what the water does by what was read and forecast, and what follows for each leg. */
export function useCourseDay(view: CourseView): CourseDay {
  const { id, course } = view;
  const water = useWater(view);
  const [who, setWho] = useDraft<Who>(`water-who:${id}`, FIRST_WHO);
  // A link may say whose it is.
  const { swimmer } = useLocalSearchParams<{ swimmer?: string }>();
  useEffect(() => {
    if (swimmer) setWho({ id: swimmer });
  }, [swimmer, setWho]);
  const legs = useMemo(() => legsOf(course), [course]);
  const metres = lengthOf(legs);
  const outside = useSwimmerOutside(who, metres);
  const { feet, others } = water.when;
  const now = { ...water.leg.water, at: water.at, feet, others: others ?? null };
  const plans =
    outside && water.ready
      ? legs.map((l, i) => planLeg(l, legs[i + 1] ?? null, outside.swimmer, now, course, SEED))
      : null;
  return { water, who, setWho, legs, metres, outside, plans };
}
