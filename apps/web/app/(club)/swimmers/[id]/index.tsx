import { GapLine } from '@/goal';
import { SwimmerScreen } from '@/swimmers/screens/SwimmerScreen';

export default function SwimmerRoute() {
  return <SwimmerScreen gapLine={GapLine} />;
}
