import type { ComponentProps } from 'react';
import { lazy, Suspense } from 'react';
import { View } from 'react-native';

// What makes the pattern is a script of its own: few pages show one.
const QrPattern = lazy(() => import('./QrPattern'));

/** A text as a pattern that a phone's camera reads; its place is kept until it is made. */
export function QrCode(props: ComponentProps<typeof QrPattern>) {
  const { size } = props;
  return (
    <Suspense fallback={<View style={{ width: size, height: size }} />}>
      <QrPattern {...props} />
    </Suspense>
  );
}
