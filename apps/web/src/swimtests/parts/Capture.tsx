import type { CaptureProps, Of } from './captureProps';
import { Trials } from './Trials';
import { InPool } from './InPool';
import { Ramp } from './Ramp';
import { Lengths } from './Lengths';
import { Eyes } from './Eyes';
import { Glide, Step, Tumble } from './Skills';

/** Takes a test down as it happens. */
export function Capture(props: CaptureProps) {
  const { input } = props;
  switch (input.kind) {
    case 'critical-speed':
      return <Trials {...(props as Of<'critical-speed'>)} />;
    case 'rate-ramp':
      return <InPool {...props} of={(poolM) => <Ramp {...(props as Of<'rate-ramp'>)} poolM={poolM} />} />;
    case 'clean-length':
      return <InPool {...props} of={(poolM) => <Lengths {...(props as Of<'clean-length'>)} poolM={poolM} />} />;
    case 'closed-eyes':
      return <Eyes {...(props as Of<'closed-eyes'>)} />;
    case 'glide':
      return <Glide {...(props as Of<'glide'>)} />;
    case 'tumble':
      return <Tumble {...(props as Of<'tumble'>)} />;
    case 'ladder-step':
      return <Step {...(props as Of<'ladder-step'>)} />;
  }
}
