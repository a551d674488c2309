/** The course on the app's own map, and how it is held: what is drawn stands in the parts beside it. */
import { legsOf, planeOf, type Course, type Place, type Plane, type PlanePoint } from '@upwell/core/water';
import { useMemo, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import Svg, { G } from 'react-native-svg';
import { useTheme } from '@/ui/useTheme';
import { besideSigns, EMPTY_M, fitted, SIGN_ROOM, toScreen, zoomed, type MapView, type Size } from '../mapFrame';
import { ROOM } from '../useDragged';
import { useMapHands, type Handle, type MapAnswers } from '../useMapHands';
import { Ground, Lines, NO_BUNDLE, SwumLine } from './MapDrawing';
import { MapScale, MapSymbols } from './MapSymbols';

interface CourseMapProps extends MapAnswers {
  readonly name: string;
  readonly course: Course;
  readonly height: number;
  /** Key of the leg that is drawn strongly. */
  readonly leg?: string | null;
  /** Swims of that leg: metres along it and to its right. */
  readonly bundle?: readonly (readonly number[])[];
  /** A swim as it was swum, metres on the flat map around the start. */
  readonly swum?: readonly PlanePoint[];
  /** Where that leg is aimed at. */
  readonly aim?: Place | null;
  /** Arrows at the edge: sun, waves, current. */
  readonly signs?: ReactNode;
  /** Shown again when this changes. */
  readonly fitKey: string;
  readonly handles?: readonly Handle[];
  readonly chosen?: string | null;
}

const NO_HANDLES: readonly Handle[] = [];

/** The flat map and what of it is seen. */
interface Frame {
  readonly key: string;
  readonly plane: Plane;
  readonly view: MapView;
  /** Where the signs stand. */
  readonly side: 'left' | 'right';
}

/**
 * The course on the app's own map: dragged, pinched, wheeled, or by arrow keys, + and −, 0 for all of it.
 * While it is dragged the finished picture is moved as a whole, and drawn again where it ends or its room runs out.
 */
export function CourseMap(props: CourseMapProps) {
  const { name, course, height, leg = null, bundle, aim = null, handles = NO_HANDLES, chosen = null, fitKey } = props;
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const size: Size = { width, height };
  const legs = useMemo(() => legsOf(course), [course]);
  const shown = legs.find((l) => l.key === leg) ?? null;
  const fitAll = (plane: Plane): Pick<Frame, 'view' | 'side'> => {
    const all = shown ? [shown.from, shown.to] : [course.start, ...course.marks, course.finish];
    const points = all.map((p) => plane.toPlane(p));
    const leastM = course.marks.length === 0 ? EMPTY_M : undefined;
    return props.signs ? besideSigns(points, size, leastM) : { view: fitted(points, size, leastM), side: 'left' };
  };
  // The flat map is laid once for what is shown, not again for every move: a start that is dragged must not take
  // the ground along, and a mark that is moved must not move the view.
  const [frame, setFrame] = useState<Frame | null>(null);
  const frameKey = `${fitKey} ${width} ${height}`;
  if (width > 0 && frame?.key !== frameKey) {
    const plane = planeOf(course);
    setFrame({ key: frameKey, plane, ...fitAll(plane) });
  }
  const plane = frame?.plane ?? planeOf(course);
  const view = frame?.view ?? null;
  // From what is there by then: two fingers move within one frame.
  const look = (change: (view: MapView) => MapView) => setFrame((now) => now && { ...now, view: change(now.view) });
  const lookAtAll = () => setFrame((now) => now && { ...now, ...fitAll(now.plane) });

  const { onChoose, onDrag, onTapAt } = props;
  const { layer, surface } = useMapHands({
    ...{ plane, view, size, handles, look, lookAtAll },
    ...{ onChoose, onDrag, onTapAt },
  });

  const nearer = (by: number) => look((now) => zoomed(now, by, { x: width / 2, y: height / 2 }, size));
  // With an edge, seen also where the land is as dark as it.
  const button = { mode: 'contained', style: { borderWidth: 1, borderColor: theme.colors.outline } } as const;
  return (
    <View style={[styles.box, { height, backgroundColor: theme.own.water, borderColor: theme.own.line }]}>
      <View
        {...surface}
        role="group"
        aria-label={`Map of ${name}: ${course.marks.length} marks. Arrow keys move it, plus and minus zoom, 0 shows all.`}
        onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
        style={[styles.surface, { height }]}
      >
        {view ? (
          <View ref={layer} style={styles.layer}>
            <Svg width={width + 2 * ROOM} height={height + 2 * ROOM} aria-hidden>
              <G transform={`translate(${ROOM} ${ROOM})`}>
                <G
                  transform={`translate(${width / 2 - view.x * view.scale} ${height / 2 + view.y * view.scale}) scale(${view.scale} ${-view.scale})`}
                >
                  <Ground course={course} plane={plane} />
                  <Lines course={course} plane={plane} leg={leg} bundle={bundle ?? NO_BUNDLE} aim={aim} />
                  {props.swum ? <SwumLine points={props.swum} /> : null}
                </G>
                <MapSymbols
                  course={course}
                  handles={handles}
                  chosen={chosen}
                  at={(place) => toScreen(plane.toPlane(place), view, size)}
                />
              </G>
            </Svg>
          </View>
        ) : null}
        {view ? (
          <View style={styles.scale}>
            <MapScale view={view} size={size} />
          </View>
        ) : null}
      </View>
      {props.signs ? (
        <View style={[styles.signs, frame?.side === 'right' ? styles.right : styles.left]}>{props.signs}</View>
      ) : null}
      {/* Beside the surface, not on it: a press here is none on the water. */}
      <View style={styles.buttons}>
        <IconButton {...button} icon="plus" accessibilityLabel="Nearer" onPress={() => nearer(1.6)} />
        <IconButton {...button} icon="minus" accessibilityLabel="Farther" onPress={() => nearer(1 / 1.6)} />
        <IconButton {...button} icon="fit-to-page-outline" accessibilityLabel="Show everything" onPress={lookAtAll} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { borderWidth: 1, borderRadius: 6, overflow: 'hidden' },
  surface: { touchAction: 'none' } as never,
  buttons: { position: 'absolute', right: 2, bottom: 2 },
  layer: { position: 'absolute', left: -ROOM, top: -ROOM, willChange: 'transform' } as never,
  scale: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' } as never,
  signs: { position: 'absolute', top: 8, pointerEvents: 'none' } as never,
  left: { left: 8 },
  right: { right: SIGN_ROOM.north },
});
