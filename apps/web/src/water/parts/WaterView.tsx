/** What the swimmer sees at a look, at the height of the eyes over the water: the mark, what stands behind it, the waves. */
import { BUOY_WIDTH_M, EYE_HEIGHT_M, type LegPlan } from '@upwell/core/water';
import { RAD } from '@upwell/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { FONT } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';

const HEIGHT = 150;
/** Degrees of the picture to each side. */
const HALF = 14;

export function WaterView({ plan, waveHeightM }: { readonly plan: LegPlan; readonly waveHeightM: number }) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const perDeg = width / (2 * HALF);
  const horizon = HEIGHT * 0.62;
  const x = (offDeg: number) => width / 2 + offDeg * perDeg;
  const distance = plan.leg.lengthM;
  const deg = (metres: number) => Math.atan(metres / distance) / RAD;
  const buoy = Math.max(4, deg(BUOY_WIDTH_M) * perDeg);
  const best = plan.aims[0];
  const shown = plan.aims.filter((a) => Math.abs(a.offDeg) < HALF).slice(0, 6);
  // A wave as high as the eyes hides what is on the water behind it.
  const crest = Math.max(0, Math.min(46, (waveHeightM / (2 * EYE_HEIGHT_M)) * 16));
  const waves = Array.from({ length: 13 }, (_, i) => {
    const step = width / 12;
    return `Q${(i - 0.5) * step} ${horizon + 14 - crest} ${i * step} ${horizon + 14}`;
  }).join(' ');
  const words = best ? best.words : 'There is nothing fixed behind the mark: aim at the mark itself.';
  return (
    <View
      role="img"
      aria-label={`From the water: ${words}`}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ height: HEIGHT, overflow: 'hidden', borderRadius: 6 }}
    >
      {width > 60 ? (
        <Svg width={width} height={HEIGHT}>
          <Rect x={0} y={0} width={width} height={horizon} fill={theme.colors.surfaceVariant} />
          {plan.sun && Math.abs(sunOff(plan)) < HALF ? (
            <Circle
              cx={x(sunOff(plan))}
              cy={Math.max(12, horizon - plan.sun.altitudeDeg * perDeg)}
              r={11}
              fill={theme.own.kelp}
              fillOpacity={0.5}
            />
          ) : null}
          {shown.map((a) => {
            const [w, h] = [Math.max(5, a.widthDeg * perDeg), Math.max(4, a.heightDeg * perDeg)];
            const left = x(a.offDeg) - w / 2;
            const ridge = a.landmark.widthM > 1.5 * a.landmark.heightM;
            const d = ridge
              ? `M${left} ${horizon}L${left + w * 0.3} ${horizon - h}L${left + w * 0.5} ${horizon - h * 0.6}L${left + w * 0.7} ${horizon - h}L${left + w} ${horizon}Z`
              : `M${left} ${horizon}V${horizon - h * 0.7}L${left + w / 2} ${horizon - h}L${left + w} ${horizon - h * 0.7}V${horizon}Z`;
            return <Path key={a.landmark.id} d={d} fill={theme.own.kelp} fillOpacity={a === best ? 1 : 0.45} />;
          })}
          <Rect x={0} y={horizon} width={width} height={HEIGHT - horizon} fill={theme.own.waterDeep} />
          {plan.leg.abeam ? null : (
            <Path
              d={`M${width / 2 - buoy / 2} ${horizon + 3}L${width / 2} ${horizon + 3 - Math.max(6, buoy * 1.2)}L${width / 2 + buoy / 2} ${horizon + 3}Z`}
              fill={theme.colors.error}
            />
          )}
          <Path d={`M0 ${horizon + 14} ${waves} V${HEIGHT}H0Z`} fill={theme.own.water} />
          {best ? (
            <>
              <Line
                x1={x(best.offDeg)}
                x2={x(best.offDeg)}
                y1={26}
                y2={horizon - Math.max(4, best.heightDeg * perDeg) - 2}
                stroke={theme.colors.onBackground}
                strokeDasharray="3 3"
              />
              <SvgText
                x={Math.min(width - 8, Math.max(8, x(best.offDeg)))}
                y={20}
                textAnchor={x(best.offDeg) > width * 0.7 ? 'end' : x(best.offDeg) < width * 0.3 ? 'start' : 'middle'}
                fontSize={14}
                fontFamily={FONT}
                fill={theme.colors.onBackground}
              >
                {best.landmark.name}
              </SvgText>
            </>
          ) : null}
        </Svg>
      ) : null}
    </View>
  );
}

/** How far the sun is off the leg, degrees. */
function sunOff({ sun, leg }: LegPlan): number {
  if (!sun) return 180;
  return ((sun.bearingDeg - leg.bearingDeg + 540) % 360) - 180;
}
