/** An outline icon; given to Paper as its icon source, so no icon font is loaded. Decorative: the label speaks. */
import Svg, { Path } from 'react-native-svg';
import { ICON_PATHS } from './iconPaths';

interface IconProps {
  /** Name of an outline in iconPaths. */
  readonly name: unknown;
  readonly size: number;
  readonly color?: string;
}

export function Icon({ name, size, color }: IconProps) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={ICON_PATHS[String(name)] ?? ''} fill={color ?? 'currentColor'} />
    </Svg>
  );
}

/** Found by Paper in the place of its icon font (metro.config.js). */
export default Icon;
