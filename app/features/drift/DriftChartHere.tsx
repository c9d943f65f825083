import type { ComponentProps } from 'react';
import { lazy, Suspense } from 'react';
import { View } from 'react-native';

// The package of charts is a fifth of all scripts: it comes where a chart is looked at.
const Chart = lazy(async () => ({ default: (await import('./DriftChart')).DriftChart }));

/** A chart of drift, once its script is here; its room is kept until then. */
export function DriftChartHere(props: ComponentProps<typeof Chart>) {
  const { width, height } = props;
  return (
    <Suspense fallback={<View style={{ width, height }} />}>
      <Chart {...props} />
    </Suspense>
  );
}
