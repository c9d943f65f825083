import { useLayoutEffect, useRef } from 'react';
import { View } from 'react-native';
import { elementOf } from '../../ui/domNode.web';
import type { Told } from '../../ui/useAfterPaint';

/**
 * Says that the screen has not followed yet what it is told, and nothing is to be tapped on it
 * before. It is written on the page itself: drawn by React, it would stand between a tap and its
 * answer.
 */
export function StillDrawing<T>({ of, drawn }: { of: Told<T>; drawn: T }) {
  const mark = useRef<View>(null);
  useLayoutEffect(() => {
    const element = elementOf(mark.current);
    let busy: boolean | undefined;
    const say = () => {
      const now = of.read() !== drawn;
      if (now === busy) return;
      busy = now;
      element.setAttribute('aria-busy', String(now));
    };
    say();
    return of.subscribe(say);
  }, [of, drawn]);
  return <View ref={mark} aria-hidden />;
}
