/** Who swims in which lane tonight, who is away and who is a guest; when they leave, and who would be caught. */
import type { SessionPerson } from '@upwell/contract/sessions';
import type { LaneOut } from '@upwell/core/deck';
import {
  AS_USUAL,
  away,
  groupFor,
  hereTonight,
  laneCapacity,
  laneSheets,
  lanesOf,
  moved,
  type GroupPlan,
  type LaneSheet,
  type SessionPlan,
  type Tonight,
} from '@upwell/core/sessions';
import { clockAfter, lengthsToMetres } from '@upwell/core/units';
import { counted } from '@upwell/core/words';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Empty, Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { GuestFinder } from './GuestFinder';
import { HiddenGuests } from './HiddenGuests';
import { LaneLine } from './LaneLine';
import { Moves, PersonRow } from './LanePerson';
import { LateLanes } from './LateLanes';
import { Reorder, ReorderRow } from './Reorder';

export interface LanesPaneProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  /** Everybody of the squads and the guests, also those who are away. */
  readonly people: readonly SessionPerson[];
  /** Swimmers a lane holds by the club's rule; null takes the default. */
  readonly capacity: number | null;
  readonly tonight: Tonight;
  /** Whether the people are being asked for: a guest who was just taken in is on the way. */
  readonly asking?: boolean;
  /** When the lanes are out; null while that is not known. */
  readonly out: readonly LaneOut[] | null;
  readonly startTime: string;
  readonly onLanes: (lanes: number) => void;
  readonly onTonight: (tonight: Tonight) => void;
}

export function LanesPane({
  plan,
  group,
  people,
  capacity: rule,
  tonight,
  asking = false,
  out,
  startTime,
  onLanes,
  onTonight,
}: LanesPaneProps) {
  const capacity = rule ?? laneCapacity(lengthsToMetres(plan.pool, 1));
  const all = useMemo(() => hereTonight(people, tonight), [people, tonight]);
  const here = useMemo(() => all.filter((p) => groupFor(plan, p)?.id === group.id), [all, plan, group.id]);
  const lanes = useMemo(() => lanesOf(group, plan.pool, here, capacity), [group, plan.pool, here, capacity]);
  const sheets = useMemo(() => laneSheets(group, plan.pool, here, capacity), [group, plan.pool, here, capacity]);
  const [open, setOpen] = useState<string | null>(null);
  const theme = useTheme();
  const byHand = here.filter((p) => p.place?.group === group.id).length;
  const gone = people.filter(({ id }) => tonight.away.includes(id));
  const nameOf = (id: string) => people.find((p) => p.id === id)?.name ?? `Lane ${/\d+$/.exec(id)?.[0] ?? ''}`;
  const laneOf = (id: string) =>
    id.startsWith('lane ') ? Number(id.slice(5)) : lanes.findIndex((lane) => lane.some((p) => p.id === id)) + 1;
  const put = (id: string, lane: number) => onTonight(moved(tonight, id, { group: group.id, lane }));
  const rows = lanes.flatMap((lane, i) => [`lane ${i + 1}`, ...lane.map(({ id }) => id)]);
  const outside = plan.place === 'open-water';
  return (
    <View style={styles.pane}>
      {outside ? (
        <Text variant="bodySmall">No lanes in open water. Keep the group together by caps and a head count.</Text>
      ) : (
        <LaneCount group={group} here={here.length} byHand={byHand} capacity={capacity} onLanes={onLanes} />
      )}
      {Object.keys(tonight.places).length + gone.length + tonight.guests.length > 0 ? (
        <Notice action={<Button onPress={() => onTonight(AS_USUAL)}>All as usual</Button>}>
          {[
            gone.length > 0 ? `${gone.length} away` : null,
            tonight.guests.length > 0 ? counted(tonight.guests.length, 'guest') : null,
            Object.keys(tonight.places).length > 0 ? `${Object.keys(tonight.places).length} put in by hand` : null,
          ]
            .filter((text) => text !== null)
            .join(', ')}
        </Notice>
      ) : null}
      {asking ? null : <HiddenGuests tonight={tonight} people={people} />}
      {here.length === 0 ? (
        <Empty title="Nobody at this level">Nobody of these squads swims at this level tonight.</Empty>
      ) : outside ? (
        <Card title="Who comes">
          {here.map((person) => (
            <View key={person.id} style={styles.row}>
              <Text style={styles.flex}>{person.name}</Text>
              <Button
                accessibilityLabel={`${person.name} is away tonight`}
                onPress={() => onTonight(away(tonight, person.id, true))}
              >
                Away
              </Button>
            </View>
          ))}
        </Card>
      ) : (
        <Card title="Who swims where">
          <Reorder
            ids={rows}
            nameOf={nameOf}
            onDrop={(id, target, after) => {
              // Dropped on a heading from below, it goes to the end of the lane before it.
              const lane = target.startsWith('lane ') && !after ? Math.max(1, laneOf(target) - 1) : laneOf(target);
              // Back where they came from is no move.
              if (lane !== laneOf(id)) put(id, lane);
            }}
          >
            {lanes.map((lane, i) => (
              <View key={i}>
                <ReorderRow id={`lane ${i + 1}`} label={`lane ${i + 1}`} fixed>
                  <View style={[styles.head, { borderTopColor: theme.own.line }]}>
                    <Text variant="titleSmall">{`Lane ${i + 1}`}</Text>
                    <Text
                      variant="bodySmall"
                      style={lane.length > capacity ? { color: theme.colors.error } : undefined}
                    >
                      {lane.length > capacity ? `${lane.length}, ${capacity} fit` : lane.length === 0 ? 'empty' : ''}
                    </Text>
                  </View>
                </ReorderRow>
                {lane.map((person) => (
                  <ReorderRow key={person.id} id={person.id} label={person.name}>
                    <PersonRow
                      person={person}
                      guest={tonight.guests.includes(person.id)}
                      open={open === person.id}
                      onOpen={() => setOpen(open === person.id ? null : person.id)}
                    />
                    {open === person.id ? (
                      <Moves
                        person={person}
                        plan={plan}
                        lane={{ group: group.id, lane: i + 1 }}
                        onPlace={(to) => onTonight(moved(tonight, person.id, to))}
                        onAway={() => {
                          setOpen(null);
                          onTonight(away(tonight, person.id, true));
                        }}
                      />
                    ) : null}
                  </ReorderRow>
                ))}
              </View>
            ))}
          </Reorder>
        </Card>
      )}
      {gone.length > 0 ? (
        <Card title="Away tonight">
          {gone.map((person) => (
            <View key={person.id} style={styles.row}>
              <Text style={styles.flex}>{person.name}</Text>
              <Button
                mode="outlined"
                accessibilityLabel={`${person.name} is here`}
                onPress={() => onTonight(away(tonight, person.id, false))}
              >
                Is here
              </Button>
            </View>
          ))}
        </Card>
      ) : null}
      <GuestFinder
        known={people.map(({ id }) => id)}
        onGuest={(id) => onTonight({ ...tonight, guests: [...tonight.guests, id] })}
      />
      {out ? <LateLanes plan={plan} out={out} startTime={startTime} /> : null}
      {outside
        ? null
        : sheets.map((sheet) => {
            const end = out?.find((o) => o.groupId === group.id && o.lane === sheet.lane);
            return (
              <Sheet key={sheet.lane} sheet={sheet} plan={plan} end={end ? clockAfter(startTime, end.outS) : null} />
            );
          })}
    </View>
  );
}

function LaneCount({
  group: { lanes },
  here,
  byHand,
  capacity,
  onLanes,
}: {
  readonly group: GroupPlan;
  readonly here: number;
  readonly byHand: number;
  readonly capacity: number;
  readonly onLanes: (lanes: number) => void;
}) {
  const over = here - lanes * capacity;
  return (
    <View style={styles.row}>
      <Stepper
        label="lanes"
        value={String(lanes)}
        onLess={lanes > 1 ? () => onLanes(lanes - 1) : null}
        onMore={lanes < 20 ? () => onLanes(lanes + 1) : null}
      />
      <Text variant="bodySmall" style={styles.flex}>
        {over > 0
          ? `${here} swimmers; ${capacity} a lane hold ${lanes * capacity}. ${over} too many: use another lane.`
          : `${counted(here, 'swimmer')} by pace${byHand > 0 ? `, ${byHand} by hand` : ''}, ${capacity} a lane at most.`}
      </Text>
    </View>
  );
}

function Sheet({
  sheet,
  plan,
  end,
}: {
  readonly sheet: LaneSheet;
  readonly plan: SessionPlan;
  /** The time of day at which the lane is out. */
  readonly end: string | null;
}) {
  return (
    <Card
      title={`Lane ${sheet.lane}`}
      aside={end === null ? undefined : <Text variant="labelMedium">{`out at ${end}`}</Text>}
    >
      <Text variant="bodySmall">
        {`${minutes(sheet.totals.swimS)} swimming, ${minutes(sheet.totals.restS)} rest at the pace of the slowest`}
      </Text>
      {sheet.people.map((person, i) => (
        <View key={person.id} style={styles.row}>
          <Text variant="labelMedium" style={styles.order}>
            {i + 1}
          </Text>
          <Text style={styles.flex}>{person.name}</Text>
        </View>
      ))}
      {sheet.lines.map((line, i) => (
        <LaneLine key={i} line={line} plan={plan} people={sheet.people} />
      ))}
    </Card>
  );
}

const minutes = (seconds: number): string => `${Math.round(seconds / 60)}′`;

const styles = StyleSheet.create({
  pane: { gap: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 30 },
  head: { flexDirection: 'row', justifyContent: 'space-between', borderTopWidth: 1, paddingTop: 8, marginTop: 4 },
  order: { width: 22, textAlign: 'right' },
  flex: { flex: 1 },
});
