// One swimmer: goal, focus, times and what was seen so far.
import { LadderCard } from '../parts/LadderCard';
import { openFocus } from '@upwell/contract/openFocus';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { levelCard, STROKE_MODEL } from '@upwell/core/swimmers';
import { type Href, useLocalSearchParams, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useWide } from '@/ui/useWide';
import { useSwimmerQuery } from '../api';
import { ClipsCard } from '../parts/ClipsCard';
import { ThenAndNowCard } from '../parts/ThenAndNowCard';
import { Timeline } from '../parts/Timeline';
import { type GapLine, GoalCard } from '../parts/GoalCard';
import { FocusCard } from '../parts/FocusCard';
import { HealthCard, KeptCard, WayInCard } from '../parts/MoreCards';
import { TimesCard } from '../parts/TimesCard';

/** How closely the record is guarded, in words. */
function guarded({ child, birthYear }: Pick<SwimmerPage, 'child' | 'birthYear'>): string | undefined {
  if (!child) return undefined;
  const why = birthYear === null ? 'Age not known, so counted as under 18' : 'Under 18';
  return `${why}: every look at this record is logged`;
}

export function SwimmerScreen({ gapLine }: { readonly gapLine: GapLine }) {
  const { id } = useLocalSearchParams<{ id: string }>();
  const router = useRouter();
  const wide = useWide();
  const { data: me } = useMeQuery();
  const { data: swimmer, error, refetch } = useSwimmerQuery(id);
  if (!swimmer) {
    return (
      <Screen title="Swimmer" back="/swimmers">
        {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Loading swimmer" />}
      </Screen>
    );
  }

  const coach = me?.role !== 'swimmer';
  const open = openFocus(swimmer.focuses);
  return (
    <Screen
      title={`${swimmer.givenName} ${swimmer.familyName}`}
      over={[levelCard(swimmer.level).name, STROKE_MODEL[swimmer.strokeModel].name, swimmer.squadName].join(' · ')}
      under={guarded(swimmer)}
      back="/swimmers"
      actions={
        coach ? (
          <>
            <Button mode="outlined" icon="chart-bar" onPress={() => router.navigate(`/swimmers/${id}/records` as Href)}>
              Records
            </Button>
            <Button mode="outlined" icon="pencil" onPress={() => router.navigate(`/swimmers/${id}/edit` as Href)}>
              Edit
            </Button>
            {open ? (
              <Button mode="outlined" icon="whistle" onPress={() => router.navigate(`/swimmers/${id}/focus` as Href)}>
                On deck
              </Button>
            ) : null}
            <Button mode="contained" icon="eye" onPress={() => router.navigate(`/swimmers/${id}/review` as Href)}>
              {open ? 'Look again' : 'Review the stroke'}
            </Button>
          </>
        ) : (
          <Button mode="outlined" icon="chart-bar" onPress={() => router.navigate(`/swimmers/${id}/records` as Href)}>
            Records
          </Button>
        )
      }
    >
      {swimmer.archived ? <Notice>This swimmer is archived and does not come to sessions.</Notice> : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          <GoalCard swimmer={swimmer} gapLine={gapLine} />
          <FocusCard focus={open ?? null} review={swimmer.reviews.find((r) => r.id === open?.reviewId)} />
          {open ? (
            <Button
              mode="outlined"
              style={styles.begin}
              onPress={() => router.navigate(`/swimmers/${id}/handout` as Href)}
            >
              Hand-out for the swimmer
            </Button>
          ) : null}
          {coach ? <LadderCard swimmer={swimmer} /> : null}
          <HealthCard swimmer={swimmer} />
        </View>
        <View style={wide ? styles.column : undefined}>
          <TimesCard swimmer={swimmer} />
          <Timeline reviews={swimmer.reviews} focuses={swimmer.focuses} />
          {swimmer.clips.some((c) => c.stills > 0) ? <ThenAndNowCard swimmerId={id} /> : null}
          <ClipsCard swimmerId={id} clips={swimmer.clips} coach={coach} />
          {coach ? <WayInCard id={id} name={swimmer.givenName} /> : null}
          {me?.role === 'head' ? <KeptCard id={id} name={swimmer.givenName} /> : null}
        </View>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1 },
  begin: { alignSelf: 'flex-start', marginBottom: 12 },
});
