import { useState } from 'react';
import type { WorkingJob } from '../model/workingJob';
import { USUAL_SHIM } from './ShimWheel';

/** The shim that is in a bucket, µm: as last fitted, until another is turned to on the wheel. */
export function useShimIn({ context }: WorkingJob, id: string) {
  const known = context.lastLeft?.shims?.[id];
  const [tapped, setTapped] = useState<{ id: string; size: number }>();
  const size = tapped?.id === id ? tapped.size : (known ?? USUAL_SHIM);
  return { known, size, onSize: (to: number) => setTapped({ id, size: to }) };
}
