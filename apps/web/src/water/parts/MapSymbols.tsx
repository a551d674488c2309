/** What stands on the map at its own size, however near one looks: marks, landmarks, ways out, handles, scale and north. */
import type { Course, Place, PlanePoint } from '@upwell/core/water';
import { Circle, G, Line, Path, Svg, Text as SvgText } from 'react-native-svg';
import { FONT, FONT_BOLD } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';
import { barLength, type MapView, type Size } from '../mapFrame';
import type { Handle } from '../useMapHands';

interface MapSymbolsProps {
  readonly course: Course;
  readonly handles: readonly Handle[];
  readonly chosen: string | null;
  /** Where a place is on the screen. */
  readonly at: (place: Place) => PlanePoint;
}

export function MapSymbols({ course, handles, chosen, at }: MapSymbolsProps) {
  const theme = useTheme();
  const ink = theme.colors.onBackground;
  const labels = [
    { text: 'S', place: course.start, buoy: true },
    ...course.marks.map((m) => ({ text: m.name, place: m, buoy: m.abeam === undefined })),
    { text: 'F', place: course.finish, buoy: true },
  ];
  return (
    <>
      {course.landmarks.map((l) => {
        const p = at(l);
        return (
          <G key={l.id}>
            <Path
              d={`M${p.x - 6} ${p.y + 5}L${p.x} ${p.y - 6}L${p.x + 6} ${p.y + 5}Z`}
              fill={theme.own.kelp}
              fillOpacity={l.fixed ? 1 : 0.35}
            />
            <SvgText x={p.x} y={p.y + 19} textAnchor="middle" fontSize={12} fontFamily={FONT} fill={ink}>
              {l.name}
            </SvgText>
          </G>
        );
      })}
      {(course.exits ?? []).map((e) => {
        const p = at(e);
        return (
          <G key={e.id}>
            <Path
              d={`M${p.x - 6} ${p.y - 6}h12v12h-12ZM${p.x - 3} ${p.y}h6M${p.x} ${p.y - 3}l3 3l-3 3`}
              fill={theme.colors.background}
              stroke={e.last ? theme.colors.error : ink}
              strokeWidth={2}
            />
            <SvgText x={p.x} y={p.y + 19} textAnchor="middle" fontSize={12} fontFamily={FONT} fill={ink}>
              {e.last ? `${e.name}, the last` : e.name}
            </SvgText>
          </G>
        );
      })}
      {labels.map(({ text, place, buoy }, i) => {
        const p = at(place);
        return (
          <G key={`${text}${i}`}>
            <Path
              d={`M${p.x - 9} ${p.y + 7}L${p.x} ${p.y - 10}L${p.x + 9} ${p.y + 7}Z`}
              fill={buoy ? ink : 'none'}
              stroke={ink}
              strokeWidth={2}
              {...(buoy ? {} : { strokeDasharray: '3 3' })}
            />
            <SvgText x={p.x + (text === 'S' ? -21 : 12)} y={p.y - 4} fontSize={15} fontFamily={FONT_BOLD} fill={ink}>
              {text}
            </SvgText>
          </G>
        );
      })}
      {handles.map((h) => {
        const p = at(h.place);
        const on = h.id === chosen;
        return (
          <Circle
            key={h.id}
            cx={p.x}
            cy={p.y}
            r={on ? 14 : 10}
            stroke={on ? theme.colors.error : theme.colors.primary}
            strokeWidth={on ? 4 : 2}
            fill={theme.colors.background}
            fillOpacity={0.35}
          />
        );
      })}
    </>
  );
}

/** How long the bar of the scale is at most, pixels. */
const LONGEST_BAR = 110;

export function MapScale({ view, size: { width, height } }: { readonly view: MapView; readonly size: Size }) {
  const ink = useTheme().colors.onBackground;
  const bar = barLength(view.scale, LONGEST_BAR);
  return (
    <Svg width={width} height={height} aria-hidden>
      <Line x1={12} x2={12 + bar * view.scale} y1={height - 14} y2={height - 14} stroke={ink} strokeWidth={3} />
      <SvgText x={12} y={height - 20} fontSize={12} fontFamily={FONT} fill={ink}>
        {bar >= 1000 ? `${bar / 1000} km` : `${bar} m`}
      </SvgText>
      <Path d={`M${width - 26} 34L${width - 20} 14L${width - 14} 34L${width - 20} 29Z`} fill={ink} />
      <SvgText x={width - 20} y={48} textAnchor="middle" fontSize={13} fontFamily={FONT_BOLD} fill={ink}>
        N
      </SvgText>
    </Svg>
  );
}
