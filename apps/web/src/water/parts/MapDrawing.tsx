// What is drawn on the map: ground, course, marks and swum lines.
import { legsOf, type Course, type Place, type Plane, type PlanePoint } from '@upwell/core/water';
import { memo, useMemo } from 'react';
import { Path } from 'react-native-svg';
import { useTheme } from '@/ui/useTheme';

export const NO_BUNDLE: readonly (readonly number[])[] = [];

/** Land, safe and forbidden areas; in metres, drawn once. */
export const Ground = memo(function Ground({ course, plane }: { readonly course: Course; readonly plane: Plane }) {
  const theme = useTheme();
  return (
    <>
      {course.areas.map((area) => {
        const flat = area.points.map((p) => plane.toPlane(p));
        const d = `${flat.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('')}Z`;
        const land = area.kind === 'land';
        return (
          <Path
            key={area.id}
            d={d}
            fill={land ? theme.own.sand : 'none'}
            stroke={area.kind === 'forbidden' ? theme.colors.error : land ? theme.own.line : theme.colors.primary}
            strokeWidth={2}
            {...(land ? {} : { strokeDasharray: area.kind === 'forbidden' ? '8 5' : '2 5' })}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
    </>
  );
});

/** A swim beside the ideal lines; in metres, drawn once. */
export const SwumLine = memo(function SwumLine({ points }: { readonly points: readonly PlanePoint[] }) {
  const theme = useTheme();
  const every = Math.max(1, Math.ceil(points.length / MOST_DRAWN));
  const d = points
    .filter((_, i) => i % every === 0 || i === points.length - 1)
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`)
    .join('');
  return <Path d={d} stroke={theme.colors.error} strokeWidth={2.5} fill="none" vectorEffect="non-scaling-stroke" />;
});
const MOST_DRAWN = 3000;

interface LinesProps {
  readonly course: Course;
  readonly plane: Plane;
  readonly leg: string | null;
  readonly bundle: readonly (readonly number[])[];
  readonly aim: Place | null;
}

/** The legs, the swims of one of them, and its aim; in metres, drawn once. */
export const Lines = memo(function Lines({ course, plane, leg, bundle, aim }: LinesProps) {
  const theme = useTheme();
  const legs = useMemo(() => legsOf(course), [course]);
  const shown = legs.find((l) => l.key === leg);
  const line = (a: PlanePoint, b: PlanePoint) =>
    `M${a.x.toFixed(1)} ${a.y.toFixed(1)}L${b.x.toFixed(1)} ${b.y.toFixed(1)}`;
  const swims = useMemo(() => {
    if (!shown) return '';
    const [a, b] = [plane.toPlane(shown.from), plane.toPlane(shown.to)];
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const [ux, uy] = [(b.x - a.x) / length, (b.y - a.y) / length];
    // Right of the leg is the leg turned by a quarter clockwise.
    const at = (x: number, y: number) => `${(a.x + x * ux + y * uy).toFixed(1)} ${(a.y + x * uy - y * ux).toFixed(1)}`;
    return bundle
      .map((path) => {
        let d = '';
        for (let i = 0; i < path.length; i += 2) d += `${i === 0 ? 'M' : 'L'}${at(path[i]!, path[i + 1]!)}`;
        return d;
      })
      .join('');
  }, [bundle, shown, plane]);
  return (
    <>
      {legs.map((l, i) => (
        <Path
          key={i}
          d={line(plane.toPlane(l.from), plane.toPlane(l.to))}
          stroke={theme.colors.onBackground}
          strokeWidth={l.key === leg ? 2.5 : 1.5}
          strokeDasharray="2 6"
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <Path
        d={swims}
        stroke={theme.colors.primary}
        strokeOpacity={0.22}
        strokeWidth={1}
        fill="none"
        vectorEffect="non-scaling-stroke"
      />
      {shown && aim ? (
        <Path
          d={line(plane.toPlane(shown.from), plane.toPlane(aim))}
          stroke={theme.own.kelp}
          strokeWidth={2.5}
          strokeDasharray="9 6"
          vectorEffect="non-scaling-stroke"
        />
      ) : null}
    </>
  );
});
