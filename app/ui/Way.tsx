import { placeOf } from './placeOf.web';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import type { GestureResponderEvent, StyleProp, ViewStyle } from 'react-native';
import { Pressable } from 'react-native';
import { opensElsewhere } from './domNode.web';

type Props = {
  to: string;
  /** In full, for whoever cannot see it. */
  name: string;
  /** Takes the place of the present screen, so that going back skips it. */
  replace?: boolean;
  /** Whether it leads to where one is. */
  current?: boolean;
  /** Whether it leads out of the application, to a file of the server's. */
  leaves?: boolean;
  style: StyleProp<ViewStyle>;
  children: ReactNode;
};

/** A way to another screen: a true link, so that keyboard, new tab and copying work. */
export function Way(props: Props) {
  const { to, name, replace = false, current = false, leaves = false, style, children } = props;
  const router = useRouter();
  const go = (event: GestureResponderEvent) => {
    // The browser's own ways of opening a link are left to it.
    if (leaves || opensElsewhere(event)) return;
    event.preventDefault();
    if (replace) router.replace(placeOf(to));
    else router.push(placeOf(to));
  };
  // `href` is known to the web's view only.
  const link: object = { href: to };
  return (
    <Pressable
      {...link}
      role="link"
      aria-label={name}
      aria-current={current ? 'page' : undefined}
      onPress={go}
      style={style}
    >
      {children}
    </Pressable>
  );
}
