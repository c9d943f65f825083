import { useDraggable } from '@dnd-kit/core';
import { localDay, takesWords, workHours } from '@longbar/core';
import { createElement, useCallback } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { useTokens } from '../../theme/ThemeProvider';
import { radius, space, target } from '../../theme/tokens';
import { Icon } from '../../ui/Icon';
import { spacePresses } from '../../ui/spacePresses';
import { Spread, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { CardActs } from './CardActs';
import type { CardProps } from './cardProps';
import { dueInWords, IN_NO_WEEK } from './weekOf';

/** A machine in its week: taken by its grip, or opened to be moved by its buttons. */
export function MachineCard(props: CardProps) {
  const { machine, mayPlan, opened } = props;
  const { id, name, engine, place, takes, planned } = machine;
  const tokens = useTokens();
  const open = opened === id;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, ...drag } = useDraggable({
    id,
    data: { week: planned?.week ?? IN_NO_WEEK },
    disabled: !mayPlan,
  });
  const { transform, isDragging } = drag;
  const takeGrip = useCallback(
    (node: HTMLElement | null) => {
      setActivatorNodeRef(node);
      // Moved by a button it is drawn anew in its week: the keyboard goes with it.
      if (open && document.activeElement === document.body) node?.focus();
    },
    [open, setActivatorNodeRef],
  );
  const moved = transform && `translate3d(${transform.x}px, ${transform.y}px, 0)`;
  const grip = createElement(
    'button',
    {
      ...attributes,
      ...listeners,
      type: 'button',
      ref: takeGrip,
      'aria-label': `Move ${name}`,
      style: { ...GRIP, color: tokens.secondInk },
    },
    <Icon name="grip" color={tokens.secondInk} size={24} />,
  );
  return createElement(
    'div',
    {
      ref: setNodeRef,
      role: 'listitem',
      style: { transform: moved, position: 'relative', zIndex: isDragging ? 10 : undefined },
    },
    <View
      style={[
        styles.card,
        { backgroundColor: tokens.ground, borderColor: isDragging ? tokens.act : tokens.line },
      ]}
    >
      <View style={styles.head}>
        {mayPlan && grip}
        <CardHead {...props} />
      </View>
      {open && (
        <Stack gap={space.small} style={styles.more}>
          <Words as="note" color="secondInk">
            {[engine, place].filter((each) => each !== undefined).join(', ')}. {takesWords(takes)}
            {machine.due && ` ${machine.due.why}`}
          </Words>
          <CardActs {...props} />
        </Stack>
      )}
    </View>,
  );
}

/** What is read of it at a glance; tapped, the rest. */
function CardHead({ machine, weeks, opened, onOpen }: CardProps) {
  const { id, name, place, takes, planned } = machine;
  const { says, late } = dueInWords(machine, weeks, localDay(new Date()));
  const open = opened === id;
  const turn = () => onOpen(open ? undefined : id);
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={`${name}: ${says}`}
      onPress={turn}
      {...spacePresses(turn)}
      style={styles.line}
    >
      <Spread>
        <Words as="strong">{name}</Words>
        <Words as="note">{takes ? workHours(takes.median) : '? h'}</Words>
      </Spread>
      <Spread>
        <Words as="note" color={late ? 'stop' : 'secondInk'}>
          {says}
        </Words>
        <Words as="note" color="secondInk">
          {planned?.who ?? place ?? ''}
        </Words>
      </Spread>
    </Pressable>
  );
}

const GRIP = {
  minWidth: target.least,
  border: 'none',
  background: 'none',
  padding: 0,
  cursor: 'grab',
  touchAction: 'none',
  display: 'flex',
  alignItems: 'center',
  justifyContent: 'center',
} as const;
const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: radius },
  head: { flexDirection: 'row', alignItems: 'stretch' },
  line: {
    flex: 1,
    padding: space.small,
    gap: space.hair,
    minHeight: target.least,
    justifyContent: 'center',
  },
  more: { padding: space.small, paddingTop: 0 },
});
