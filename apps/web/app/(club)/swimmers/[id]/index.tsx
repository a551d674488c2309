import { GapLine } from '@/race';
import { SwimmerScreen } from '@/swimmers/screens/SwimmerScreen';

export default function SwimmerRoute() {
  return <SwimmerScreen gapLine={GapLine} />;
}
