import { legsOf, planeOf, type Course, type Place, type Plane, type PlanePoint } from '@upwell/core/water';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import Svg, { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { FONT, FONT_BOLD } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';
import { barLength, EMPTY_M, fitted, moved, toGround, toScreen, zoomed, type MapView, type Size } from '../mapFrame';
import { ROOM, useDragged } from '../useDragged';
import { Ground, Lines, NO_BUNDLE, SwumLine } from './MapDrawing';

/** Something that can be taken hold of. */
export interface Handle {
  readonly id: string;
  readonly place: Place;
}

interface CourseMapProps {
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
  readonly onChoose?: (id: string | null) => void;
  /** A handle is dragged; `done` with the last one. */
  readonly onDrag?: (id: string, to: Place, done: boolean) => void;
  readonly onTapAt?: (place: Place) => void;
}

/** Farther than this a finger has moved, not tapped, pixels. */
const SLOP = 8;
/** A finger takes hold of what is this near, pixels. */
const REACH = 26;

/** The flat map and what of it is seen. */
interface Frame {
  readonly key: string;
  readonly plane: Plane;
  readonly view: MapView;
}

interface Gesture {
  readonly pointers: Map<number, PlanePoint>;
  readonly from: PlanePoint;
  travelled: number;
  held: string | null;
}

/**
 * The course on the app's own map: dragged, pinched, wheeled, or by arrow keys, + and −, 0 for all of it.
 * While it is dragged the finished picture is moved as a whole, and drawn again where it ends or its room runs out.
 */
export function CourseMap(props: CourseMapProps) {
  const { name, course, height, leg = null, bundle, aim = null, handles, chosen = null, fitKey } = props;
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const size: Size = { width, height };
  const legs = useMemo(() => legsOf(course), [course]);
  const shown = legs.find((l) => l.key === leg) ?? null;
  const fitAll = (plane: Plane): MapView => {
    const all = [course.start, ...course.marks, course.finish];
    return fitted(
      (shown ? [shown.from, shown.to] : all).map((p) => plane.toPlane(p)),
      size,
      course.marks.length === 0 ? EMPTY_M : undefined,
    );
  };
  // The flat map is laid once for what is shown, not again for every move: a start that is dragged must not take
  // the ground along, and a mark that is moved must not move the view.
  const [frame, setFrame] = useState<Frame | null>(null);
  const frameKey = `${fitKey} ${width} ${height}`;
  if (width > 0 && frame?.key !== frameKey) {
    const plane = planeOf(course);
    setFrame({ key: frameKey, plane, view: fitAll(plane) });
  }
  const plane = frame?.plane ?? planeOf(course);
  const view = frame?.view ?? null;
  // From what is there by then: two fingers move within one frame.
  const look = (change: (view: MapView) => MapView) => setFrame((now) => now && { ...now, view: change(now.view) });

  const { layer, drag, settle } = useDragged(view, (x, y) => look((now) => moved(now, x, y)));
  const box = useRef<View>(null);
  const gesture = useRef<Gesture | null>(null);
  const wheel = useRef<(event: WheelEvent) => void>(() => undefined);
  useEffect(() => {
    wheel.current = (event) => {
      if (!view) return;
      event.preventDefault();
      settle();
      const frame = (event.currentTarget as HTMLElement).getBoundingClientRect();
      const at = { x: event.clientX - frame.left, y: event.clientY - frame.top };
      look((now) => zoomed(now, Math.exp(-event.deltaY / 400), at, size));
    };
  });
  useEffect(() => {
    const node = box.current as unknown as HTMLElement | null;
    // Paper's views take no wheel; the page must not scroll while the map zooms.
    const turn = (event: WheelEvent) => wheel.current(event);
    node?.addEventListener?.('wheel', turn, { passive: false });
    return () => node?.removeEventListener?.('wheel', turn);
  }, []);

  const spot = (event: PointerLike): PlanePoint => {
    const frame = (box.current as unknown as HTMLElement).getBoundingClientRect();
    return { x: event.nativeEvent.clientX - frame.left, y: event.nativeEvent.clientY - frame.top };
  };
  const placeAt = (at: PlanePoint) => plane.toPlace(toGround(at, view!, size));
  const down = (event: PointerLike) => {
    if (!view) return;
    const at = spot(event);
    const now = gesture.current;
    if (now) {
      now.pointers.set(event.nativeEvent.pointerId, at);
      return;
    }
    const near = (handles ?? [])
      .map((h) => ({ id: h.id, away: distance(toScreen(plane.toPlane(h.place), view, size), at) }))
      .filter((h) => h.away <= REACH)
      .sort((a, b) => a.away - b.away)[0];
    (box.current as unknown as HTMLElement).setPointerCapture?.(event.nativeEvent.pointerId);
    gesture.current = {
      pointers: new Map([[event.nativeEvent.pointerId, at]]),
      from: at,
      travelled: 0,
      held: near?.id ?? null,
    };
  };
  const move = (event: PointerLike) => {
    const now = gesture.current;
    const before = now?.pointers.get(event.nativeEvent.pointerId);
    if (!now || !before || !view) return;
    const at = spot(event);
    now.travelled = Math.max(now.travelled, distance(now.from, at));
    if (now.pointers.size === 2) {
      const other = [...now.pointers].find(([id]) => id !== event.nativeEvent.pointerId)![1];
      const by = distance(other, at) / Math.max(1, distance(other, before));
      settle();
      look((now) => zoomed(now, by, other, size));
    } else if (now.held && now.travelled > SLOP) props.onDrag?.(now.held, placeAt(at), false);
    else if (!now.held && now.travelled > SLOP) drag(at.x - before.x, at.y - before.y);
    now.pointers.set(event.nativeEvent.pointerId, at);
  };
  const up = (event: PointerLike) => {
    const now = gesture.current;
    if (!now || !view) return;
    now.pointers.delete(event.nativeEvent.pointerId);
    if (now.pointers.size > 0) return;
    gesture.current = null;
    settle();
    const at = spot(event);
    if (now.travelled > SLOP) {
      if (now.held) props.onDrag?.(now.held, placeAt(at), true);
    } else if (now.held) props.onChoose?.(now.held);
    else if (props.onTapAt) props.onTapAt(placeAt(at));
    else props.onChoose?.(null);
  };
  const key = (event: { key: string; preventDefault(): void }) => {
    if (!view) return;
    const middle = { x: width / 2, y: height / 2 };
    const step = Math.min(width, height) / 8;
    const next: Record<string, (now: MapView) => MapView> = {
      ArrowLeft: (now) => moved(now, step, 0),
      ArrowRight: (now) => moved(now, -step, 0),
      ArrowUp: (now) => moved(now, 0, step),
      ArrowDown: (now) => moved(now, 0, -step),
      '+': (now) => zoomed(now, 1.4, middle, size),
      '-': (now) => zoomed(now, 1 / 1.4, middle, size),
      '0': () => fitAll(plane),
    };
    const to = next[event.key];
    if (!to) return;
    event.preventDefault();
    look(to);
  };

  const nearer = (by: number) => look((now) => zoomed(now, by, { x: width / 2, y: height / 2 }, size));
  const labels = view
    ? [
        { text: 'S', place: course.start, buoy: true },
        ...course.marks.map((m) => ({ text: m.name, place: m, buoy: m.abeam === undefined })),
        { text: 'F', place: course.finish, buoy: true },
      ].map((l) => ({ ...l, at: toScreen(plane.toPlane(l.place), view, size) }))
    : [];
  const bar = view ? barLength(view.scale, 110) : 0;
  const ink = theme.colors.onBackground;
  const keys = { onKeyDown: key, tabIndex: 0 } as object;
  return (
    <View style={[styles.box, { height, backgroundColor: theme.own.water, borderColor: theme.own.line }]}>
      <View
        ref={box}
        {...keys}
        role="group"
        aria-label={`Map of ${name}: ${course.marks.length} marks. Arrow keys move it, plus and minus zoom, 0 shows all.`}
        onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
        onPointerDown={down as never}
        onPointerMove={move as never}
        onPointerUp={up as never}
        onPointerCancel={up as never}
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
                {course.landmarks.map((l) => {
                  const at = toScreen(plane.toPlane(l), view, size);
                  return (
                    <G key={l.id}>
                      <Path
                        d={`M${at.x - 6} ${at.y + 5}L${at.x} ${at.y - 6}L${at.x + 6} ${at.y + 5}Z`}
                        fill={theme.own.kelp}
                        fillOpacity={l.fixed ? 1 : 0.35}
                      />
                      <SvgText x={at.x} y={at.y + 19} textAnchor="middle" fontSize={12} fontFamily={FONT} fill={ink}>
                        {l.name}
                      </SvgText>
                    </G>
                  );
                })}
                {(course.exits ?? []).map((e) => {
                  const at = toScreen(plane.toPlane(e), view, size);
                  return (
                    <G key={e.id}>
                      <Path
                        d={`M${at.x - 6} ${at.y - 6}h12v12h-12ZM${at.x - 3} ${at.y}h6M${at.x} ${at.y - 3}l3 3l-3 3`}
                        fill={theme.colors.background}
                        stroke={e.last ? theme.colors.error : ink}
                        strokeWidth={2}
                      />
                      <SvgText x={at.x} y={at.y + 19} textAnchor="middle" fontSize={12} fontFamily={FONT} fill={ink}>
                        {e.last ? `${e.name}, the last` : e.name}
                      </SvgText>
                    </G>
                  );
                })}
                {labels.map(({ text, at, buoy }, i) => (
                  <G key={`${text}${i}`}>
                    <Path
                      d={`M${at.x - 9} ${at.y + 7}L${at.x} ${at.y - 10}L${at.x + 9} ${at.y + 7}Z`}
                      fill={buoy ? ink : 'none'}
                      stroke={ink}
                      strokeWidth={2}
                      {...(buoy ? {} : { strokeDasharray: '3 3' })}
                    />
                    <SvgText
                      x={at.x + (text === 'S' ? -21 : 12)}
                      y={at.y - 4}
                      fontSize={15}
                      fontFamily={FONT_BOLD}
                      fill={ink}
                    >
                      {text}
                    </SvgText>
                  </G>
                ))}
                {(handles ?? []).map((h) => {
                  const at = toScreen(plane.toPlane(h.place), view, size);
                  const on = h.id === chosen;
                  return (
                    <Circle
                      key={h.id}
                      cx={at.x}
                      cy={at.y}
                      r={on ? 14 : 10}
                      stroke={on ? theme.colors.error : theme.colors.primary}
                      strokeWidth={on ? 4 : 2}
                      fill={theme.colors.background}
                      fillOpacity={0.35}
                    />
                  );
                })}
              </G>
            </Svg>
          </View>
        ) : null}
        {view ? (
          <View style={styles.scale}>
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
          </View>
        ) : null}
      </View>
      {props.signs ? <View style={styles.signs}>{props.signs}</View> : null}
      {/* Beside the surface, not on it: a press here is none on the water. */}
      <View style={styles.buttons}>
        <IconButton mode="contained" icon="plus" accessibilityLabel="Nearer" onPress={() => nearer(1.6)} />
        <IconButton mode="contained" icon="minus" accessibilityLabel="Farther" onPress={() => nearer(1 / 1.6)} />
        <IconButton
          mode="contained"
          icon="fit-to-page-outline"
          accessibilityLabel="Show everything"
          onPress={() => look(() => fitAll(plane))}
        />
      </View>
    </View>
  );
}

interface PointerLike {
  readonly nativeEvent: { readonly clientX: number; readonly clientY: number; readonly pointerId: number };
}
const distance = (a: PlanePoint, b: PlanePoint) => Math.hypot(a.x - b.x, a.y - b.y);

const styles = StyleSheet.create({
  box: { borderWidth: 1, borderRadius: 6, overflow: 'hidden' },
  surface: { touchAction: 'none' } as never,
  buttons: { position: 'absolute', right: 2, bottom: 2 },
  layer: { position: 'absolute', left: -ROOM, top: -ROOM, willChange: 'transform' } as never,
  scale: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' } as never,
  signs: { position: 'absolute', left: 8, top: 8, pointerEvents: 'none' } as never,
});
