/** The frame: places at the lower edge on a phone, in a rail at the left when wide. */
import { Link, usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { Role } from '@upwell/contract/account';
import { OfflineBar, VersionBar } from '@/offline';
import { Icon } from '@/ui/Icon';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';

interface Place {
  readonly href: string;
  readonly label: string;
  readonly icon: string;
}

const PLACES: readonly Place[] = [
  { href: '/deck', label: 'Deck', icon: 'whistle' },
  { href: '/swimmers', label: 'Swimmers', icon: 'account-multiple' },
  { href: '/sessions', label: 'Sessions', icon: 'calendar' },
  { href: '/water', label: 'Water', icon: 'waves' },
  { href: '/library', label: 'Library', icon: 'book-open-variant' },
];

/** Where a swimmer begins. */
const OWN: Place = { href: '/my-week', label: 'My week', icon: 'star-outline' };

export function Shell({
  club,
  role,
  children,
}: {
  readonly club: string;
  readonly role: Role;
  readonly children: ReactNode;
}) {
  const wide = useWide();
  const theme = useTheme();
  // The card on the deck has the whole screen.
  const onDeck = /^\/deck\/./.test(usePathname());
  if (onDeck) return <>{children}</>;
  const places = role === 'swimmer' ? [OWN, ...PLACES.filter((p) => p.href !== '/deck')] : PLACES;
  const bar = (
    <View
      role="navigation"
      aria-label="Places"
      style={[
        wide ? styles.rail : styles.bar,
        { backgroundColor: theme.own.sand, borderColor: theme.colors.onBackground },
      ]}
    >
      {wide ? <ClubLink club={club} /> : null}
      {places.map((place) => (
        <PlaceLink key={place.href} place={place} wide={wide} />
      ))}
      {wide ? null : <PlaceLink place={{ href: '/account', label: 'Club', icon: 'account' }} wide={false} />}
    </View>
  );
  return (
    <View style={[styles.fill, wide ? styles.row : styles.column]}>
      {wide ? bar : null}
      <View style={styles.fill}>
        <VersionBar />
        <OfflineBar />
        <View style={styles.fill}>{children}</View>
      </View>
      {wide ? null : bar}
    </View>
  );
}

function PlaceLink({ place, wide }: { readonly place: Place; readonly wide: boolean }) {
  const theme = useTheme();
  const path = usePathname();
  const here = path === place.href || path.startsWith(`${place.href}/`);
  const color = here ? theme.colors.primary : theme.colors.onSurfaceVariant;
  const mark = wide
    ? { borderLeftColor: here ? theme.colors.primary : 'transparent' }
    : { borderTopColor: here ? theme.colors.primary : 'transparent' };
  return (
    <Link href={place.href} asChild>
      <Pressable
        style={StyleSheet.flatten([wide ? styles.railItem : styles.barItem, mark])}
        aria-current={here ? 'page' : undefined}
      >
        <Icon name={place.icon} size={22} color={color} />
        <Text variant={wide ? 'labelMedium' : 'labelSmall'} numberOfLines={1} style={{ color }}>
          {place.label}
        </Text>
      </Pressable>
    </Link>
  );
}

function ClubLink({ club }: { readonly club: string }) {
  const theme = useTheme();
  return (
    <Link href={'/account'} asChild>
      <Pressable style={styles.club}>
        <Text variant="labelMedium" style={{ color: theme.colors.onSurface }}>
          {club}
        </Text>
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  row: { flexDirection: 'row' },
  column: { flexDirection: 'column' },
  bar: { flexDirection: 'row', borderTopWidth: 2 },
  barItem: {
    flex: 1,
    minHeight: 58,
    alignItems: 'center',
    justifyContent: 'center',
    gap: 2,
    borderTopWidth: 4,
    paddingBottom: 4,
  },
  rail: { width: 148, borderRightWidth: 2, paddingTop: 12, gap: 4 },
  railItem: {
    minHeight: 48,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    paddingHorizontal: 14,
    borderLeftWidth: 5,
  },
  club: { minHeight: 56, justifyContent: 'center', paddingHorizontal: 16, marginBottom: 12 },
});
